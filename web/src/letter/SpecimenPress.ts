import type JASSUB from 'jassub';
import type { Specimen } from '../api/client';
import { captionRenderer, closeRenderer, drawMoment } from '../plate/captionRenderer';

/** Where of a caption's time it is shown while it stands still, as a share. */
const TYPICAL = 0.55;

const FRAME_US = 70_000;

/** How much nearer a caption is than on the plate. */
const NEARER = 1.18;

interface Shown {
  canvas: HTMLCanvasElement;
  specimen: Specimen;
  moves: boolean;
  us: number;
}

/** What a worker has drawn comes to the page a few pictures later. */
const PICTURES_LATER = 4;

/** How much later at most, on a machine that has much to do. */
const MOST_PICTURES_LATER = 40;

const nextPicture = () => new Promise((next) => requestAnimationFrame(next));

async function onThePage() {
  for (let i = 0; i < PICTURES_LATER; i++) await nextPicture();
}

/** Draws all specimens with one renderer, one after another, over the picture that is on the plate. */
export class SpecimenPress {
  private readonly drawing = document.createElement('canvas');
  private renderer: JASSUB | null = null;
  private loaded: string | null = null;
  private readonly waiting: Shown[] = [];
  private working = false;
  private closed = false;
  private inPlace: () => void = () => undefined;
  private readonly mounted = new Promise<void>((done) => (this.inPlace = done));

  constructor(
    private readonly fonts: string[],
    private readonly size: { width: number; height: number },
  ) {
    const side = `${size.width * NEARER}px`;
    Object.assign(this.drawing.style, { width: side, height: side });
  }

  /** Takes its place, out of sight; what is answered takes it away for good. */
  mount(host: HTMLElement): () => void {
    host.appendChild(this.drawing);
    this.inPlace();
    return () => {
      this.closed = true;
      closeRenderer(this.renderer);
      this.drawing.remove();
    };
  }

  /** Shows a specimen on a canvas; over and over where it moves, until what is answered is called. */
  show(canvas: HTMLCanvasElement, specimen: Specimen, moves: boolean): () => void {
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    const shown = { canvas, specimen, moves: moves && !still, us: moves && !still ? 0 : specimen.lengthUs * TYPICAL };
    if (shown.moves) this.waiting.unshift(shown);
    else this.waiting.push(shown);
    void this.work();
    return () => {
      shown.moves = false;
      const at = this.waiting.indexOf(shown);
      if (at >= 0) this.waiting.splice(at, 1);
    };
  }

  private async work() {
    if (this.working) return;
    this.working = true;
    try {
      await this.mounted;
      for (let next = this.waiting.shift(); next && !this.closed; next = this.waiting.shift()) {
        await this.draw(next);
        if (next.moves) {
          next.us = (next.us + FRAME_US) % next.specimen.lengthUs;
          this.waiting.unshift(next);
        }
      }
    } catch (error) {
      if (!this.closed) console.error(error);
    } finally {
      this.working = false;
    }
  }

  private async draw(shown: Shown) {
    const { script } = shown.specimen;
    const isNew = this.loaded !== script;
    if (!this.renderer) {
      this.renderer = await captionRenderer(this.drawing, this.fonts, { text: script });
      if (this.closed) closeRenderer(this.renderer);
    } else if (isNew) await this.renderer.renderer.setTrack(script);
    this.loaded = script;
    const side = Math.round(this.size.width * NEARER * 2);
    await drawMoment(this.renderer, shown.us, { width: side, height: side }, true, () => !this.closed);
    await onThePage();
    // A caption that stands still is never nothing: then it has not come yet.
    for (let i = 0; i < MOST_PICTURES_LATER && !shown.moves && !this.closed && this.isBare(); i++) await nextPicture();
    if (!this.closed) this.print(shown.canvas);
  }

  /** Whether nothing stands on what is drawn on. */
  private isBare(): boolean {
    const side = 24;
    const look = Object.assign(document.createElement('canvas'), { width: side, height: side });
    const context = look.getContext('2d', { willReadFrequently: true });
    if (!context) return false;
    context.drawImage(this.drawing, 0, 0, side, side);
    return !context.getImageData(0, 0, side, side).data.some((value) => value > 0);
  }

  /** The picture that is on the plate, and the caption over it. */
  private print(target: HTMLCanvasElement) {
    const context = target.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, target.width, target.height);
    const plate = document.querySelector<HTMLCanvasElement>('[data-testid=plate] canvas');
    if (plate?.width) {
      const height = (plate.width * target.height) / target.width;
      const top = Math.max(0, (plate.height - height) / 2);
      context.drawImage(plate, 0, top, plate.width, height, 0, 0, target.width, target.height);
    }
    // The caption stands in the middle of a square.
    const side = target.width * NEARER;
    const left = (target.width - side) / 2;
    context.drawImage(this.drawing, left, (target.height - side) / 2, side, side);
  }
}
