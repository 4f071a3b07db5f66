import { lastAtOrBefore } from './sorted';

/** The part of the picture that shows, in pixels of the recording. */
export interface Window {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Frames of a clip that belong together. */
export interface Segment {
  clipFrame: number;
  count: number;
  /** Index of the person shown; -1 for nobody. */
  person: number;
  /** One for all frames, or one for each. */
  windows: Window[];
}

const NUMBERS_OF_A_WINDOW = 4;

/**
 * What every frame of a clip shows, from the row of numbers that the server packs it into: of each
 * segment its first frame, how many frames, the person, how many windows follow, and the windows.
 */
export class FramePath {
  readonly segments: Segment[] = [];
  private readonly starts: number[] = [];

  constructor(packed: number[]) {
    for (let at = 0; at < packed.length;) {
      const [clipFrame, count, person, windows] = packed.slice(at, at + 4);
      at += 4;
      const shown: Window[] = [];
      for (let w = 0; w < windows; w++, at += NUMBERS_OF_A_WINDOW) {
        shown.push({ x: packed[at], y: packed[at + 1], width: packed[at + 2], height: packed[at + 3] });
      }
      this.segments.push({ clipFrame, count, person, windows: shown });
      this.starts.push(clipFrame);
    }
  }

  /** What a frame shows; undefined where nothing is said, and then it is the whole picture. */
  at(frame: number): Window | undefined {
    const segment = this.segments[lastAtOrBefore(this.starts, frame)];
    if (!segment || frame >= segment.clipFrame + segment.count) return undefined;
    return segment.windows[Math.min(segment.windows.length - 1, frame - segment.clipFrame)];
  }
}

/** The whole picture, always. */
export const WHOLE_PICTURE = new FramePath([]);
