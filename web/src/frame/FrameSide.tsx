import { useEffect, useMemo, useRef } from 'react';
import type { ClipState, EpisodeCard, Preview } from '../api/client';
import { FramePath, type Segment } from '../plate/framePath';
import { usePlayhead } from '../plate/playhead';
import { shapeText } from '../ui/shape';
import { useChanges } from '../workbench/changes';

type Mode = 'SPEAKER' | 'PERSON' | 'MIDDLE';

const SHAPES = ['9:16', '4:5', '1:1', '16:9'];

/** Shape, and whom the frame holds. */
export function FrameSide({
  clip,
  episode,
  preview,
}: {
  clip: ClipState;
  episode: EpisodeCard;
  preview: Preview | null;
}) {
  const { change } = useChanges();
  const hold = (mode: Mode, person = -1) =>
    void change((now) => ({ type: 'reframe', shape: shapeText(now.framed.shape), mode, person }));
  const reshape = (shape: string) =>
    void change((now) => ({
      type: 'reframe',
      shape,
      mode: now.framed.framing.mode,
      person: now.framed.framing.person,
    }));
  const { mode, person } = clip.framed.framing;
  const path = useMemo(() => new FramePath(preview?.path ?? []), [preview]);
  return (
    <section className="mt-4 border-t border-rule pt-3">
      <h2 className="label">Shape</h2>
      <div className="mt-1.5 flex gap-2">
        {SHAPES.map((s) => {
          const [w, h] = s.split(':').map(Number);
          const box = 18 / Math.max(w, h);
          return (
            <button
              key={s}
              className="button flex flex-1 flex-col items-center gap-1"
              aria-pressed={s === shapeText(clip.framed.shape)}
              onClick={() => reshape(s)}
            >
              <span className="grid h-5 place-items-center">
                <span className="border border-steel" style={{ width: w * box, height: h * box }} />
              </span>
              {s}
            </button>
          );
        })}
      </div>
      <h2 className="label mt-4">In the frame</h2>
      <div className="mt-1.5 flex flex-wrap gap-2">
        <button
          className="button"
          aria-pressed={mode === 'SPEAKER'}
          disabled={!episode.people.length}
          onClick={() => hold('SPEAKER')}
        >
          Whoever speaks
        </button>
        {episode.people.map((p) => (
          <button
            key={p.index}
            className="button"
            aria-pressed={mode === 'PERSON' && person === p.index}
            onClick={() => hold('PERSON', p.index)}
          >
            {p.name}
          </button>
        ))}
        <button className="button" aria-pressed={mode === 'MIDDLE'} onClick={() => hold('MIDDLE')}>
          The middle
        </button>
      </div>
      <h2 className="label mt-4">The whole picture</h2>
      <WholePicture episode={episode} preview={preview} path={path} />
      <p className="mt-2 text-[12.5px] text-soft">
        {episode.people.length === 0
          ? 'No face was found in this episode; the middle is held.'
          : standing(path.segments)}
      </p>
    </section>
  );
}

/** How much the window rests and moves, in words. */
function standing(segments: Segment[]): string {
  const rests = segments.filter((s) => s.windows.length === 1).length;
  const moves = segments.length - rests;
  const held = `${rests} held position${rests === 1 ? '' : 's'}`;
  return moves === 0
    ? `${held}; the frame changes at speaker turns only.`
    : `${held}; the window follows ${moves === 1 ? 'once' : `${moves} times`}, where somebody leaves its middle.`;
}

/** The whole picture with the window that shows at the moment. */
function WholePicture({ episode, preview, path }: { episode: EpisodeCard; preview: Preview | null; path: FramePath }) {
  const window = useRef<HTMLDivElement>(null);
  const rate = preview ? preview.frameRateNumerator / preview.frameRateDenominator : 25;
  useEffect(() => {
    const show = (us: number) => {
      const now = path.at(Math.floor((us / 1e6) * rate + 1e-6));
      const box = window.current;
      if (!box) return;
      box.hidden = !now;
      if (!now) return;
      box.style.left = `${(now.x / episode.width) * 100}%`;
      box.style.top = `${(now.y / episode.height) * 100}%`;
      box.style.width = `${(now.width / episode.width) * 100}%`;
      box.style.height = `${(now.height / episode.height) * 100}%`;
    };
    show(usePlayhead.getState().programmeUs);
    return usePlayhead.subscribe((s) => show(s.programmeUs));
  }, [path, rate, episode.width, episode.height]);
  return (
    <div
      className="relative mt-1.5 w-full overflow-hidden rounded-md"
      style={{ aspectRatio: `${episode.width} / ${episode.height}` }}
    >
      <img
        src={`/api/episodes/${episode.id}/poster`}
        alt="A still of the whole picture"
        className="h-full w-full opacity-60"
      />
      <div ref={window} className="absolute border-2 border-white" data-testid="window" hidden />
      {episode.people.map((p) => (
        <div
          key={p.index}
          className="absolute flex items-end justify-center rounded-[50%] border border-white/80"
          style={{
            left: `${p.x * 100}%`,
            top: `${p.y * 100}%`,
            width: `${p.width * 100}%`,
            height: `${p.height * 100}%`,
          }}
        >
          <span className="translate-y-5 rounded bg-white px-1 text-[10px] font-semibold whitespace-nowrap text-[#241f1d]">
            {p.name.split(' ')[0]}
          </span>
        </div>
      ))}
    </div>
  );
}
