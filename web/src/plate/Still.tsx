import { useCallback, useRef } from 'react';
import type { Preview } from '../api/client';
import { LogoLayer } from '../dress/LogoLayer';
import { useBackdrop } from './backdrop';
import { coloured, type CameraColours } from './cameraColours';
import type { Ground, Segment } from './framePath';
import { withGroundBehind } from './groundBehind';
import { useKeptPeople } from './Mattes';
import { PLATE_LOOK, seen as looked, type Look } from './look';
import { paintFrame } from './paintFrame';
import { useStill, type Paint } from './useStill';

export interface SegmentSeen {
  segment: Segment;
  /** Width by height of what is delivered. */
  ratio: number;
  frameUs: number;
  colours: CameraColours;
  look: Look;
  logo: Preview['logo'];
  /** What is seen behind people; null for what was recorded. */
  behind: Ground | null;
  /** Name of the backdrop; null for none. */
  picture: string | null;
}

/** The most room for one, pixels. */
const HIGHEST = 28;
const WIDEST = 34;
const FINENESS = 2;

/** A small picture of what is seen at a time of the episode, so long after its segment began. */
export function Still({ seen, episodeUs, sinceUs }: { seen: SegmentSeen; episodeUs: number; sinceUs: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { segment, ratio, frameUs, colours, look, logo, behind, picture: named } = seen;
  const backdrop = useBackdrop(named, look.mirrored);
  const people = useKeptPeople(episodeUs, behind !== null);
  const frame = segment.clipFrame + Math.min(segment.count - 1, Math.round(sinceUs / frameUs));
  const height = Math.round(Math.min(HIGHEST, WIDEST / ratio));
  const width = Math.round(height * ratio);
  const paint: Paint = useCallback(
    (context, picture, recorded) => {
      const inColour = coloured(picture, recorded, colours);
      const sample =
        people && behind && behind !== 'PICTURE' ? withGroundBehind(inColour, recorded, behind, people) : inColour;
      const scenery = { backdrop, people: behind === 'PICTURE' ? people : null };
      paintFrame(context, sample, recorded, segment, frame, scenery);
    },
    [segment, frame, colours, backdrop, behind, people],
  );
  useStill(canvas, episodeUs, paint);
  return (
    <div
      className="absolute top-[2px] right-[11px] overflow-hidden rounded-[2px]"
      style={{ height, width }}
      data-testid="still"
      aria-hidden="true"
    >
      <canvas
        ref={canvas}
        width={width * FINENESS}
        height={height * FINENESS}
        className="h-full w-full"
        style={looked(look, PLATE_LOOK)}
      />
      {logo && <LogoLayer shown={logo} />}
    </div>
  );
}
