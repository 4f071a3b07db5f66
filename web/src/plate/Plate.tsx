import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { ClipState, EpisodeCard, Preview, Spec } from '../api/client';
import { useWorkbench, type Stage } from '../workbench/store';
import { CaptionLayer } from './CaptionLayer';
import { CutPlayer } from './CutPlayer';
import { PlainPlayer } from './PlainPlayer';
import { current, type Draw, type Player } from './player';
import { usePlayhead } from './playhead';
import { clipProgramme, oneStretch, toEpisode, toProgramme, wholeEpisode, type Programme } from './programme';

const AROUND_US = 1_500_000;
const SHORTEST_LOOP_US = 50_000;

interface Props {
  episode: EpisodeCard;
  clip: ClipState | null;
  preview: Preview | null;
  /** Where the script of the captions lies. */
  captionScript: string | null;
  specs: Spec[];
  stage: Stage;
  height: number;
}

/** The picture in the shape of the clip, with framing, captions and safe zones live. */
export function Plate({ episode, clip, preview, captionScript, stage, height }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const captionHost = useRef<HTMLDivElement>(null);
  const player = useRef<Player | null>(null);
  const captions = useRef<CaptionLayer | null>(null);
  const programme = useRef<Programme | null>(null);
  const shown = useRef<{ preview: Preview | null; stage: Stage }>({ preview, stage });
  useLayoutEffect(() => {
    shown.current = { preview, stage };
  });
  /** What was shown before a stretch was heard by itself. */
  const lent = useRef<{ programme: Programme; atUs: number } | null>(null);
  const playedClip = useRef<number | null>(null);
  const speed = useRef(1);
  const rate = useWorkbench((s) => s.rate);
  const [ready, setReady] = useState(false);

  const vertical = preview ? preview.canvas.width / preview.canvas.height : episode.width / episode.height;
  const width = Math.round(Math.min(height * vertical, 300));
  const plateHeight = Math.round(width / vertical);

  useEffect(() => {
    const draw: Draw = (sample, frame) => {
      const target = canvas.current;
      const context = target?.getContext('2d');
      if (!target || !context) return;
      const p = programme.current;
      const window = p?.path.at(frame);
      const scale = sample.displayWidth / episode.width;
      if (window) {
        sample.draw(
          context,
          window.x * scale,
          window.y * scale,
          window.width * scale,
          window.height * scale,
          0,
          0,
          target.width,
          target.height,
        );
      } else sample.draw(context, 0, 0, target.width, target.height);
      target.dataset.frame = String(frame);
      setReady(true);
    };
    const moved = (us: number) => {
      const p = programme.current;
      usePlayhead.setState({ programmeUs: us, episodeUs: p ? toEpisode(p, us) : us });
      const v = shown.current.preview;
      if (v) captions.current?.show(us, v.canvas.width, v.canvas.height);
    };
    const stopped = () => {
      useWorkbench.setState({ playing: false });
      const back = lent.current;
      if (!back) return;
      lent.current = null;
      programme.current = back.programme;
      void made.setProgramme(back.programme, back.atUs);
    };
    const proxy = `/api/episodes/${episode.id}/proxy?made=${episode.madeAt}`;
    const made =
      'VideoDecoder' in globalThis
        ? new CutPlayer(proxy, draw, moved, stopped)
        : new PlainPlayer(proxy, draw, moved, stopped);
    void made.setRate(useWorkbench.getState().rate * speed.current);
    current.hear = (startUs, endUs) => {
      const p = programme.current;
      if (!p) return;
      lent.current ??= { programme: p, atUs: made.position };
      programme.current = oneStretch(startUs, endUs, p.rate);
      useWorkbench.setState({ playing: true });
      void made.setProgramme(programme.current, 0).then(() => made.play());
    };
    current.hearAround = (us, loop) => {
      const p = programme.current;
      if (!p) return;
      const at = toProgramme(p, us);
      useWorkbench.setState({ playing: true });
      void made.playRange(Math.max(0, at - AROUND_US), Math.min(p.lengthUs, at + AROUND_US), loop);
    };
    current.hearLoop = (startUs, endUs) => {
      const p = programme.current;
      if (!p) return;
      const from = toProgramme(p, startUs);
      const to = toProgramme(p, endUs);
      if (to - from < SHORTEST_LOOP_US) return;
      useWorkbench.setState({ playing: true });
      void made.playRange(from, to, true);
    };
    player.current = made;
    current.player = made;
    (window as unknown as { paringKnifePlayer: Player }).paringKnifePlayer = made;
    current.seekEpisode = (us) => {
      const p = programme.current;
      if (p) void made.seek(toProgramme(p, us));
    };
    const layer = new CaptionLayer(captionHost.current!);
    captions.current = layer;
    return () => {
      made.destroy();
      layer.destroy();
      captions.current = null;
      current.player = null;
    };
  }, [episode.id, episode.madeAt, episode.width]);

  const asRecorded = useWorkbench((s) => s.asRecorded);
  const spansKey = clip && preview ? `${clip.id}/${clip.revision}/${preview.revision}/${asRecorded}` : 'episode';
  useEffect(() => {
    const made = player.current;
    if (!made) return;
    // Sound and picture go over to an edit together.
    if (clip && preview?.revision !== clip.revision) return;
    const rate = episode.frameRateNumerator / episode.frameRateDenominator;
    const before = programme.current;
    const next = clip && preview ? clipProgramme(clip, preview, asRecorded) : wholeEpisode(episode.durationUs, rate);
    const at = before ? toProgramme(next, toEpisode(before, made.position)) : 0;
    const edited = clip !== null && playedClip.current === clip.id && !lent.current;
    playedClip.current = clip?.id ?? null;
    lent.current = null;
    programme.current = next;
    void made.setProgramme(next, at >= next.lengthUs ? 0 : at, edited);
    usePlayhead.setState({ programmeUs: at, episodeUs: toEpisode(next, at) });
    // The key stands for the clip and its preview.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [spansKey, episode]);

  useLayoutEffect(() => {
    speed.current = clip?.pared.speed ?? 1;
  });
  useEffect(() => {
    void player.current?.setRate(rate * (clip?.pared.speed ?? 1));
  }, [rate, clip?.pared.speed]);

  useEffect(() => {
    if (preview && captionScript) {
      captions.current?.setScript(captionScript);
      captions.current?.show(usePlayhead.getState().programmeUs, preview.canvas.width, preview.canvas.height);
    }
  }, [preview, captionScript]);

  useEffect(() => player.current?.redraw(), [width, plateHeight, preview]);

  const safe = preview?.canvas.safe;
  const ratio = Math.min(2, globalThis.devicePixelRatio || 1);
  return (
    <div
      className="relative mx-auto overflow-hidden rounded-md bg-[#1b1817]"
      style={{ width, height: plateHeight }}
      data-testid="plate"
      data-ready={ready}
    >
      <canvas
        ref={canvas}
        width={Math.round(width * ratio)}
        height={Math.round(plateHeight * ratio)}
        className="absolute inset-0 h-full w-full"
        role="img"
        aria-label="The picture as it will be delivered"
      />
      <div ref={captionHost} className={clip ? 'absolute inset-0' : 'hidden'} />
      {safe && (stage === 'letter' || stage === 'frame') && (
        <div
          className="pointer-events-none absolute border border-dashed border-white/55"
          title="safe zone"
          style={{
            top: `${safe.top * 100}%`,
            bottom: `${safe.bottom * 100}%`,
            left: `${safe.left * 100}%`,
            right: `${safe.right * 100}%`,
          }}
        />
      )}
    </div>
  );
}
