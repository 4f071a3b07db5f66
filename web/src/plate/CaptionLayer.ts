import type JASSUB from 'jassub';
import { captionRenderer, closeRenderer, drawMoment } from './captionRenderer';

interface Moment {
  us: number;
  width: number;
  height: number;
}

/** A script at an address, or one that is only being tried. */
type Script = { address: string } | { text: string };

/**
 * Draws captions over the plate with libass, from the very script and fonts that the export burns. One thing
 * is under way at a time; what was asked for meanwhile is left out, but for the last. The canvas says in
 * data-drawn and data-script which moment of which script stands on it, only once it does.
 */
export class CaptionLayer {
  private readonly canvas = document.createElement('canvas');
  private renderer: JASSUB | null = null;
  private closed = false;
  private working = false;
  private script: Script | null = null;
  private loaded: Script | null = null;
  private wanted: Moment | null = null;
  private drawn: Moment | null = null;

  constructor(private readonly fonts: string[]) {
    this.canvas.className = 'absolute inset-0 h-full w-full pointer-events-none';
    this.canvas.dataset.testid = 'captions';
  }

  /** Takes its place; what is answered takes it away for good. */
  mount(host: HTMLElement): () => void {
    host.appendChild(this.canvas);
    return () => {
      this.closed = true;
      closeRenderer(this.renderer);
      this.canvas.remove();
    };
  }

  /** Takes the script at an address; the worker fetches it, since that of hours of talk is megabytes. */
  setScript(address: string) {
    if (this.script && 'address' in this.script && this.script.address === address) return;
    this.script = { address };
    void this.work();
  }

  /** Shows a script that is only being tried, until another one is set. */
  tryScript(text: string) {
    this.script = { text };
    delete this.canvas.dataset.drawn;
    void this.work();
  }

  /** Shows what stands at a time of the clip; size is that of the script's picture. */
  show(us: number, width: number, height: number) {
    this.wanted = { us, width, height };
    delete this.canvas.dataset.drawn;
    void this.work();
  }

  private async work() {
    if (this.working) return;
    this.working = true;
    try {
      while (!this.closed && this.script && (this.loaded !== this.script || this.drawn !== this.wanted)) {
        if (this.loaded !== this.script) await this.load(this.script);
        else await this.draw(this.wanted!);
      }
    } catch (error) {
      // What is under way when the plate closes comes back refused; anything else is worth knowing.
      if (!this.closed) console.error(error);
    } finally {
      this.working = false;
    }
  }

  private async load(script: Script) {
    if (!this.renderer) this.renderer = await this.hired(script);
    else if ('address' in script)
      await this.renderer.renderer.setTrackByUrl(new URL(script.address, location.href).href);
    else await this.renderer.renderer.setTrack(script.text);
    this.loaded = script;
    this.drawn = null;
  }

  /** Nobody would let go of one that comes when all is over. */
  private async hired(script: Script): Promise<JASSUB> {
    const renderer = await captionRenderer(this.canvas, this.fonts, script);
    if (this.closed) closeRenderer(renderer);
    return renderer;
  }

  private async draw(moment: Moment) {
    const { us, width, height } = moment;
    await drawMoment(this.renderer!, us, { width, height }, this.drawn === null, () => !this.closed);
    this.drawn = moment;
    if (this.wanted !== moment || this.closed) return;
    this.canvas.dataset.drawn = String(Math.round(us));
    this.canvas.dataset.script = 'address' in this.loaded! ? this.loaded.address : 'tried';
  }
}
