import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { api } from '../api/client';
import { sleep } from './PictureFeed';
import type { Programme } from './programme';

/** As the server parts an episode. */
const STRETCH_S = 2;
/** So much of them is in memory. */
const MOST_BYTES = 64_000_000;
/** What failed is not asked for again at once. */
const AFTER_FAILURE_MS = 10_000;
const ASK_AGAIN_MS = 700;
const HEADER_BYTES = 12;
const CHANNELS = 4;
/** Times are whole microseconds. */
const ROUNDED = 1e-4;
const ALPHA = 3;

interface Stretch {
  width: number;
  height: number;
  frames: Uint8Array[];
}

/** How much of what a clip shows has been cut out by now, and what keeps it from going on; null while nothing is asked for. */
export const useMattesMade = create<{ made: number; all: number; problem: string | null } | null>(() => null);

/** The people that are cut out of the open episode, null while nobody is; and how often something of them has come. */
export const useCutOut = create<{ mattes: Mattes | null; come: number }>(() => ({ mattes: null, come: 0 }));

/** The people at a time of the episode, from when they have come on; they stay when their stretch goes. */
export function useKeptPeople(episodeUs: number, isWanted: boolean): HTMLCanvasElement | null {
  const [kept, setKept] = useState<{ us: number; of: Mattes; people: HTMLCanvasElement } | null>(null);
  const mattes = useCutOut((s) => s.mattes);
  const isKept = kept !== null && kept.us === episodeUs && kept.of === mattes;
  useEffect(() => {
    if (!isWanted || !mattes || isKept) return;
    const keep = () => {
      const people = mattes.copyAt(episodeUs);
      if (people) setKept({ us: episodeUs, of: mattes, people });
    };
    keep();
    return useCutOut.subscribe(keep);
  }, [mattes, episodeUs, isWanted, isKept]);
  return isWanted && isKept ? kept.people : null;
}

function read(bytes: ArrayBuffer): Stretch {
  const header = new DataView(bytes, 0, HEADER_BYTES);
  const width = header.getInt32(0);
  const height = header.getInt32(4);
  const count = header.getInt32(8);
  const size = width * height;
  const frames = Array.from({ length: count }, (_, n) => new Uint8Array(bytes, HEADER_BYTES + n * size, size));
  return { width, height, frames };
}

/** Draws the people of the nth frame of a stretch. */
function drawn({ width, height, frames }: Stretch, n: number, canvas: HTMLCanvasElement): HTMLCanvasElement {
  if (canvas.width !== width || canvas.height !== height) {
    canvas.width = width;
    canvas.height = height;
  }
  const context = canvas.getContext('2d');
  if (!context) return canvas;
  const image = context.createImageData(width, height);
  const shares = frames[n];
  for (let i = 0; i < shares.length; i++) image.data[i * CHANNELS + ALPHA] = shares[i];
  context.putImageData(image, 0, 0);
  return canvas;
}

/** Which stretches of an episode the pictures of a programme lie in, in the order they are seen. */
export function stretchesOf(programme: Pick<Programme, 'runs' | 'rate'>): number[] {
  const frames = framesOfAStretch(programme.rate);
  const numbers = new Set<number>();
  for (const run of programme.runs) {
    const last = run.episodeFrame + (run.held ? 0 : run.count - 1);
    for (let n = Math.floor(run.episodeFrame / frames); n <= Math.floor(last / frames); n++) numbers.add(n);
  }
  return [...numbers];
}

const framesOfAStretch = (rate: number) => Math.max(1, Math.round(STRETCH_S * rate));

/**
 * What of an episode's pictures people are. The server cuts people out when a stretch is first asked for;
 * until then there is nothing to show. Those of a programme are fetched from its beginning on.
 */
export class Mattes {
  private readonly stretches = new Map<number, Stretch>();
  private readonly asked = new Map<number, Promise<boolean>>();
  private readonly canvas = document.createElement('canvas');
  private drawn = -1;
  private prepared = 0;
  private problem: string | null = null;
  private wanted: ReadonlySet<number> = new Set();
  private closed = false;

  /**
   * @param changed called whenever a stretch has come
   */
  constructor(
    private readonly episode: { id: number; madeAt: number },
    private readonly rate: number,
    private readonly changed: () => void,
  ) {}

  /** Sees to it that all that a programme shows is cut out. */
  async prepare(programme: Programme) {
    const preparing = ++this.prepared;
    const wanted = stretchesOf(programme);
    this.wanted = new Set(wanted);
    const goesOn = () => !this.closed && preparing === this.prepared;
    const tell = (made: number) => {
      if (goesOn()) useMattesMade.setState({ made, all: wanted.length, problem: this.problem }, true);
    };
    for (let n = 0; n < wanted.length && goesOn(); n++) {
      tell(n);
      while (!(await this.fetch(wanted[n])) && goesOn()) {
        tell(n);
        await sleep(AFTER_FAILURE_MS);
      }
    }
    tell(wanted.length);
  }

  /** A picture of its own of the people at a time of the episode; null where they are not there, which nothing is done about. */
  copyAt(episodeUs: number): HTMLCanvasElement | null {
    const frame = Math.floor((episodeUs * this.rate) / 1e6 + ROUNDED);
    const frames = framesOfAStretch(this.rate);
    const number = Math.floor(frame / frames);
    const stretch = this.stretches.get(number);
    return stretch
      ? drawn(stretch, Math.min(stretch.frames.length - 1, frame - number * frames), document.createElement('canvas'))
      : null;
  }

  /** The people of a frame, as a picture that is seen through elsewhere; null while they are not known. */
  at(episodeFrame: number): HTMLCanvasElement | null {
    const frames = framesOfAStretch(this.rate);
    const number = Math.floor(episodeFrame / frames);
    const stretch = this.stretches.get(number);
    if (!stretch) {
      void this.fetch(number);
      return null;
    }
    if (this.wanted.has(number + 1)) void this.fetch(number + 1);
    if (this.drawn !== episodeFrame) {
      drawn(stretch, Math.min(stretch.frames.length - 1, episodeFrame - number * frames), this.canvas);
      this.drawn = episodeFrame;
    }
    return this.canvas;
  }

  /** Whether it has come. */
  private fetch(number: number): Promise<boolean> {
    const asked = this.asked.get(number);
    if (asked) return asked;
    const coming = this.come(number).then(
      () => true,
      (error: Error) => {
        this.problem = error.message;
        setTimeout(() => this.asked.delete(number), AFTER_FAILURE_MS / 2);
        return false;
      },
    );
    this.asked.set(number, coming);
    return coming;
  }

  private async come(number: number) {
    while (!this.closed) {
      const bytes = await api.mattes(this.episode, number);
      if (this.closed) return;
      if (bytes !== 'being made') {
        this.problem = null;
        this.keep(number, read(bytes));
        this.changed();
        return;
      }
      await sleep(ASK_AGAIN_MS);
    }
  }

  private keep(number: number, stretch: Stretch) {
    this.stretches.set(number, stretch);
    const most = Math.max(2, Math.floor(MOST_BYTES / (stretch.width * stretch.height * stretch.frames.length)));
    for (const oldest of this.stretches.keys()) {
      if (this.stretches.size <= most) break;
      this.stretches.delete(oldest);
      this.asked.delete(oldest);
    }
  }

  close() {
    this.closed = true;
    this.stretches.clear();
    useMattesMade.setState(null, true);
  }
}
