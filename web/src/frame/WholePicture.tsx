import { useEffect, useRef } from 'react';
import type { EpisodeCard } from '../api/client';
import { FramePath, type Window } from '../plate/framePath';
import { seen, type Look } from '../plate/look';
import { LookFilter } from '../plate/LookFilter';
import { usePlayback } from '../plate/Playback';
import { DraggedWindow } from './DraggedWindow';
import { FaceMarks } from './FaceMarks';

/** The most room there is down, pixels. */
const HIGHEST = 330;
/** As fine as the proxy. */
const CANVAS = { width: 640 };

interface Props {
  episode: EpisodeCard;
  path: FramePath;
  rate: number;
  look: Look;
  /** Width by height of what is delivered. */
  shape: number;
  /** Index of the person whom the frame holds; -1 for nobody. */
  held: number;
  /** The camera on which it does. */
  heldOn: number;
  onPlaced: (window: Window) => void;
  onChoose: (person: number) => void;
}

/** The whole picture as it plays, or those of all cameras side by side, with the window that shows and the faces that were found. */
export function WholePicture({ episode, path, rate, look, shape, held, heldOn, onPlaced, onChoose }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const playback = usePlayback();
  useEffect(() => {
    playback.showWholeOn(canvas.current);
    return () => playback.showWholeOn(null);
  }, [playback]);
  const ratio = episode.width / episode.height;
  return (
    <div
      className="relative mx-auto overflow-hidden rounded-md bg-[#1b1817]"
      style={{ aspectRatio: ratio, maxWidth: HIGHEST * ratio }}
    >
      <LookFilter id="whole-look" look={look} />
      <canvas
        ref={canvas}
        width={CANVAS.width}
        height={Math.round(CANVAS.width / ratio)}
        className="absolute inset-0 h-full w-full"
        style={seen({ ...look, mirrored: false }, 'whole-look')}
        role="img"
        aria-label="The whole picture"
        data-testid="whole"
      />
      <DraggedWindow path={path} rate={rate} recorded={episode} ratio={shape} onPlaced={onPlaced} />
      {episode.cameras.length > 1 &&
        episode.cameras.map((c, camera) => (
          <span
            key={camera}
            className="pointer-events-none absolute rounded-br bg-[#1b1817]/80 px-1.5 text-[11px] font-semibold text-white"
            style={{ left: `${(c.x / episode.width) * 100}%`, top: `${(c.y / episode.height) * 100}%` }}
          >
            {camera + 1}
          </span>
        ))}
      <FaceMarks episode={episode} speaking={held} heldOn={heldOn} onChoose={onChoose} />
    </div>
  );
}
