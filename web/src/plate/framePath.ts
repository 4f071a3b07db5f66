import { lastAtOrBefore } from './sorted';

/** The part of the picture that shows, in pixels of the recording. */
export interface Window {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What shows where no pane lies. */
export type Ground = 'SOFT' | 'DARK' | 'LIGHT' | 'PICTURE';

/** A part of the canvas and what it shows. */
export interface Pane {
  /** Index of the person shown; -1 for nobody. */
  person: number;
  /** Where it lies, as shares of the canvas. */
  place: Window;
  /** One for all frames, or one for each. */
  windows: Window[];
}

/** Frames of a clip that belong together. */
export interface Segment {
  clipFrame: number;
  count: number;
  ground: Ground;
  /** What was set by hand here; 0 where nothing was. */
  setBy: number;
  panes: Pane[];
}

const GROUNDS: Ground[] = ['SOFT', 'DARK', 'LIGHT', 'PICTURE'];
const NUMBERS_OF_A_WINDOW = 4;

/** What a pane shows in a frame of its segment. */
export function windowAt(pane: Pane, frame: number): Window {
  return pane.windows[Math.min(pane.windows.length - 1, frame)];
}

/** Whether something in it moves. */
export const moves = (segment: Segment) => segment.panes.some((p) => p.windows.length > 1);

/** One window on the whole canvas. */
export function oneWindow(window: Window): Segment {
  const place = { x: 0, y: 0, width: 1, height: 1 };
  return { clipFrame: 0, count: 1, ground: 'DARK', setBy: 0, panes: [{ person: -1, place, windows: [window] }] };
}

/**
 * What every frame of a clip shows, from the row of numbers that the server packs it into: of each
 * segment its first frame, how many frames, the ground, what was set and how many panes follow; of
 * each pane the person, its place, how many windows follow, and the windows.
 */
export class FramePath {
  readonly segments: Segment[] = [];
  private readonly starts: number[] = [];

  constructor(packed: number[]) {
    let at = 0;
    const next = () => packed[at++];
    const rectangle = () => {
      const [x, y, width, height] = packed.slice(at, at + NUMBERS_OF_A_WINDOW);
      at += NUMBERS_OF_A_WINDOW;
      return { x, y, width, height };
    };
    while (at < packed.length) {
      const clipFrame = next();
      const count = next();
      const ground = GROUNDS[next()];
      const setBy = next();
      const panes = Array.from({ length: next() }, () => {
        const person = next();
        const place = rectangle();
        return { person, place, windows: Array.from({ length: next() }, rectangle) };
      });
      this.segments.push({ clipFrame, count, ground, setBy, panes });
      this.starts.push(clipFrame);
    }
  }

  /** The segment in which a frame lies; undefined where nothing is said, and then it is the whole picture. */
  segmentAt(frame: number): Segment | undefined {
    const segment = this.segments[lastAtOrBefore(this.starts, frame)];
    return segment && frame < segment.clipFrame + segment.count ? segment : undefined;
  }

  /** What the first pane shows in a frame. */
  at(frame: number): Window | undefined {
    const segment = this.segmentAt(frame);
    return segment && windowAt(segment.panes[0], frame - segment.clipFrame);
  }
}

/** The whole picture, always. */
export const WHOLE_PICTURE = new FramePath([]);
