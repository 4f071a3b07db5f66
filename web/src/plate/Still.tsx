import { useContext, useEffect, useRef } from 'react';
import type { Segment } from './framePath';
import { paintFrame } from './paintFrame';
import { StillsContext } from './Stills';

export interface SegmentSeen {
  segment: Segment;
  /** Width by height of what is delivered. */
  ratio: number;
  frameUs: number;
}

/** The most room for one, pixels. */
const HIGHEST = 28;
const WIDEST = 34;
const FINENESS = 2;

/** A small picture of what is seen at a time of the episode, so long after its segment began. */
export function Still({ seen, episodeUs, sinceUs }: { seen: SegmentSeen; episodeUs: number; sinceUs: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const stills = useContext(StillsContext);
  const { segment, ratio, frameUs } = seen;
  const frame = segment.clipFrame + Math.min(segment.count - 1, Math.round(sinceUs / frameUs));
  const height = Math.round(Math.min(HIGHEST, WIDEST / ratio));
  const width = Math.round(height * ratio);
  useEffect(() => {
    let wanted = true;
    stills?.draw(
      episodeUs,
      () => wanted,
      (picture) => {
        const context = canvas.current?.getContext('2d');
        if (context) paintFrame(context, picture, stills.recorded, segment, frame);
      },
    );
    return () => {
      wanted = false;
    };
  }, [stills, segment, frame, episodeUs]);
  return (
    <canvas
      ref={canvas}
      width={width * FINENESS}
      height={height * FINENESS}
      className="absolute top-[2px] right-[11px] rounded-[2px]"
      style={{ height, width }}
      data-testid="still"
      aria-hidden="true"
    />
  );
}
