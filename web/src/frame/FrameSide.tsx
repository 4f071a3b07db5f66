import type { ClipState, EpisodeCard, Preview } from '../api/client';
import { FramePath } from '../plate/framePath';
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
  const held = new FramePath(preview?.path ?? []).segments;
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
      <WholePicture episode={episode} preview={preview} />
      <p className="mt-2 text-[12.5px] text-soft">
        {episode.people.length === 0
          ? 'No face was found in this episode; the middle is held.'
          : `${held.length} held position${held.length === 1 ? '' : 's'}; the frame changes at speaker turns only.`}
      </p>
    </section>
  );
}

function WholePicture({ episode, preview }: { episode: EpisodeCard; preview: Preview | null }) {
  const windows = new FramePath(preview?.path ?? []).segments.map((s) => s.windows[0]);
  const seen = new Map(windows.map((w) => [`${w.x}/${w.y}`, w]));
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
      {[...seen.values()].map((w) => (
        <div
          key={`${w.x}/${w.y}`}
          className="absolute border-2 border-white"
          style={{
            left: `${(w.x / episode.width) * 100}%`,
            top: `${(w.y / episode.height) * 100}%`,
            width: `${(w.width / episode.width) * 100}%`,
            height: `${(w.height / episode.height) * 100}%`,
          }}
        />
      ))}
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
