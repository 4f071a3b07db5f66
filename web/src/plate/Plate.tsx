import { useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { ClipState, EpisodeCard, Preview } from '../api/client';
import { LogoLayer } from '../dress/LogoLayer';
import { useWorkbench } from '../workbench/store';
import type { Backdrop } from './backdrop';
import { CaptionLayer } from './CaptionLayer';
import type { Followed } from './Followed';
import { useCaptionFonts } from './fonts';
import { CameraFilters, coloured, type CameraColours } from './cameraColours';
import { CutPlayer } from './CutPlayer';
import { PlainPlayer } from './PlainPlayer';
import { oneWindow, type Ground } from './framePath';
import { withGroundBehind } from './groundBehind';
import { PLATE_LOOK, seen, type Look } from './look';
import { LookFilter } from './LookFilter';
import { Mattes, useCutOut } from './Mattes';
import { drawnCanvas, paintFrame } from './paintFrame';
import { usePlayback } from './Playback';
import type { Draw, Player } from './player';
import { withSmoothSkin, type Skin } from './skin';
import { usePlayhead } from './playhead';
import { clipProgramme, episodeFrameAt, toEpisode, wholeEpisode } from './programme';

interface Props {
  episode: EpisodeCard;
  clip: ClipState | null;
  preview: Preview | null;
  /** Where the script of the captions lies. */
  captionScript: string | null;
  /** A script that is only being tried, followed as it changes. */
  triedScript: Followed<{ text: string | null }>;
  /** What is done to the picture itself. */
  look: Look;
  colours: CameraColours;
  /** Whose skin is smoothed. */
  skin: Skin;
  /** What is seen behind people; null for what was recorded. */
  behind: Ground | null;
  /** The picture that grounds show which show one; null where there is none, or not yet. */
  backdrop: Backdrop | null;
  /** Whether the zones are shown that must stay free. */
  safeZones: boolean;
  /** The most room there is, pixels. */
  height: number;
  width: number;
  /** Over the picture. */
  children?: ReactNode;
}

/** The picture in the shape of the clip, with framing, captions and safe zones live. */
export function Plate({
  episode,
  clip,
  preview,
  captionScript,
  triedScript,
  look,
  colours,
  skin,
  behind,
  backdrop,
  safeZones,
  height,
  width: room,
  children,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const captionHost = useRef<HTMLDivElement>(null);
  const playback = usePlayback();
  const player = useRef<Player | null>(null);
  const captions = useRef<CaptionLayer | null>(null);
  const shown = useRef(preview);
  useLayoutEffect(() => {
    shown.current = preview;
  });
  const shownColours = useRef(colours);
  useLayoutEffect(() => {
    shownColours.current = colours;
    player.current?.redraw();
  }, [colours]);
  const shownSkin = useRef(skin);
  useLayoutEffect(() => {
    shownSkin.current = skin;
    player.current?.redraw();
  }, [skin]);
  const mattes = useRef<Mattes | null>(null);
  const shownBehind = useRef(behind);
  useLayoutEffect(() => {
    shownBehind.current = behind;
    player.current?.redraw();
  }, [behind]);
  const shownBackdrop = useRef(backdrop);
  useLayoutEffect(() => {
    shownBackdrop.current = backdrop;
    player.current?.redraw();
  }, [backdrop]);
  const playedClip = useRef<number | null>(null);
  const speed = useRef(1);
  const rate = useWorkbench((s) => s.rate);
  const [ready, setReady] = useState(false);

  const [first] = episode.cameras;
  const vertical = preview ? preview.canvas.width / preview.canvas.height : first.width / first.height;
  const width = Math.round(Math.min(height * vertical, room));
  const plateHeight = Math.round(width / vertical);

  useEffect(() => {
    // Where nothing is framed it is the first camera.
    const unframed = episode.cameras.length > 1 ? oneWindow(episode.cameras[0]) : undefined;
    const peopleAt = (frame: number) =>
      (shownBehind.current && playback.programme && mattes.current?.at(episodeFrameAt(playback.programme, frame))) ||
      null;
    const sceneryWith = (people: HTMLCanvasElement | null) => ({
      backdrop: shownBackdrop.current,
      people: shownBehind.current === 'PICTURE' ? people : null,
    });
    const draw: Draw = (recorded, frame) => {
      const inColour = coloured(recorded, episode, shownColours.current);
      const { programme } = playback;
      const smooth = programme
        ? withSmoothSkin(
            inColour,
            episode,
            shownSkin.current,
            (1e6 * episodeFrameAt(programme, frame)) / programme.rate,
          )
        : inColour;
      const target = canvas.current;
      const context = target?.getContext('2d');
      if (!target || !context) return;
      const ground = shownBehind.current;
      const people = peopleAt(frame);
      const sample =
        ground && ground !== 'PICTURE' && people ? withGroundBehind(smooth, episode, ground, people) : smooth;
      playback.lookOn(sample, frame);
      const dragged = playback.dragged;
      paintFrame(
        context,
        sample,
        episode,
        dragged ?? playback.programme?.path.segmentAt(frame) ?? unframed,
        dragged ? 0 : frame,
        sceneryWith(people),
      );
      target.dataset.frame = String(frame);
      const isExchanged = people && (ground !== 'PICTURE' || shownBackdrop.current);
      target.dataset.behind = isExchanged ? ground! : '';
      setReady(true);
    };
    const moved = (us: number) => {
      const p = playback.programme;
      usePlayhead.setState({ programmeUs: us, episodeUs: p ? toEpisode(p, us) : us });
      const v = shown.current;
      if (v) captions.current?.show(us, v.canvas.width, v.canvas.height);
    };
    const ended = () => playback.ended();
    const proxy = `/api/episodes/${episode.id}/proxy?made=${episode.madeAt}`;
    const made =
      'VideoDecoder' in globalThis
        ? new CutPlayer(proxy, draw, moved, ended)
        : new PlainPlayer(proxy, draw, moved, ended);
    void made.setRate(useWorkbench.getState().rate * speed.current);
    player.current = made;
    playback.attach(made, (whole) => {
      const context = canvas.current?.getContext('2d');
      const frame = Number(canvas.current?.dataset.frame ?? 0);
      const dragged = playback.dragged;
      const segment = dragged ?? playback.programme?.path.segmentAt(frame) ?? unframed;
      if (context)
        paintFrame(context, drawnCanvas(whole), episode, segment, dragged ? 0 : frame, sceneryWith(peopleAt(frame)));
    });
    (window as unknown as { paringKnifePlayer: Player }).paringKnifePlayer = made;
    return () => {
      made.destroy();
      playback.detach();
    };
    // What is drawn of an episode changes with these only.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [episode.id, episode.madeAt, playback]);

  const asRecorded = useWorkbench((s) => s.asRecorded);
  const spansKey = clip && preview ? `${clip.id}/${clip.revision}/${preview.revision}/${asRecorded}` : 'episode';
  useEffect(() => {
    const made = player.current;
    if (!made) return;
    // Sound and picture go over to an edit together.
    if (clip && preview?.revision !== clip.revision) return;
    const rate = episode.frameRateNumerator / episode.frameRateDenominator;
    const next = clip && preview ? clipProgramme(clip, preview, asRecorded) : wholeEpisode(episode.durationUs, rate);
    const edited = clip !== null && playedClip.current === clip.id;
    playedClip.current = clip?.id ?? null;
    const at = playback.show(next, edited);
    usePlayhead.setState({ programmeUs: at, episodeUs: toEpisode(next, at) });
    // The key stands for the clip and its preview.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [spansKey, episode]);

  const cutsOut = behind !== null;
  useEffect(() => {
    if (!cutsOut) return;
    const made = new Mattes(
      { id: episode.id, madeAt: episode.madeAt },
      episode.frameRateNumerator / episode.frameRateDenominator,
      () => {
        player.current?.redraw();
        useCutOut.setState((s) => ({ come: s.come + 1 }));
      },
    );
    mattes.current = made;
    useCutOut.setState({ mattes: made });
    return () => {
      mattes.current = null;
      useCutOut.setState({ mattes: null });
      made.close();
    };
  }, [cutsOut, episode.id, episode.madeAt, episode.frameRateNumerator, episode.frameRateDenominator]);
  useEffect(() => {
    if (cutsOut && clip && playback.programme) void mattes.current?.prepare(playback.programme);
    // The key stands for the clip and its preview.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cutsOut, spansKey]);

  useLayoutEffect(() => {
    speed.current = clip?.pared.speed ?? 1;
  });
  useEffect(() => {
    void player.current?.setRate(rate * (clip?.pared.speed ?? 1));
  }, [rate, clip?.pared.speed]);

  const fonts = useCaptionFonts(preview?.largeFonts);
  const layer = useMemo(() => (fonts ? new CaptionLayer(fonts) : null), [fonts]);
  useEffect(() => {
    captions.current = layer;
    const unmount = layer?.mount(captionHost.current!);
    return () => {
      unmount?.();
      captions.current = null;
    };
  }, [layer]);
  useEffect(() => {
    if (!layer || !preview || !captionScript) return;
    const show = (tried: string | null) => {
      if (tried) layer.tryScript(tried);
      else layer.setScript(captionScript);
      layer.show(usePlayhead.getState().programmeUs, preview.canvas.width, preview.canvas.height);
    };
    show(triedScript.getState().text);
    return triedScript.subscribe((now, before) => {
      if (now.text !== before.text) show(now.text);
    });
  }, [layer, preview, captionScript, triedScript]);

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
      <LookFilter id={PLATE_LOOK} look={look} />
      <CameraFilters colours={colours} />
      <canvas
        ref={canvas}
        width={Math.round(width * ratio)}
        height={Math.round(plateHeight * ratio)}
        className="absolute inset-0 h-full w-full"
        style={seen(look, PLATE_LOOK)}
        role="img"
        aria-label="The picture as it will be delivered"
      />
      {clip && preview?.logo && <LogoLayer shown={preview.logo} />}
      <div ref={captionHost} className={clip ? 'absolute inset-0' : 'hidden'} />
      {safe && safeZones && (
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
      {children}
    </div>
  );
}
