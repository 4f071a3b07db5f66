import JASSUB from 'jassub';
import workerUrl from 'jassub/dist/worker/worker.js?worker&url';
import wasmUrl from 'jassub/dist/wasm/jassub-worker.wasm?url';
import modernWasmUrl from 'jassub/dist/wasm/jassub-worker-modern.wasm?url';

const FONTS = ['/lettering-fonts/archivo-black.woff2', '/lettering-fonts/barlow-condensed-semibold.woff2'];

interface Moment {
  us: number;
  width: number;
  height: number;
}

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
  private script: string | null = null;
  private loaded: string | null = null;
  private wanted: Moment | null = null;
  private drawn: Moment | null = null;

  constructor(host: HTMLElement) {
    this.canvas.className = 'absolute inset-0 h-full w-full pointer-events-none';
    this.canvas.dataset.testid = 'captions';
    host.appendChild(this.canvas);
  }

  /** Takes the script at an address; the worker fetches it, since that of hours of talk is megabytes. */
  setScript(address: string) {
    this.script = address;
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

  private async load(script: string) {
    const url = new URL(script, location.href).href;
    if (this.renderer) await this.renderer.renderer.setTrackByUrl(url);
    else {
      this.renderer = new JASSUB({
        canvas: this.canvas,
        subUrl: url,
        fonts: FONTS.map((f) => new URL(f, location.href).href),
        availableFonts: {},
        defaultFont: 'archivo black',
        queryFonts: false,
        workerUrl,
        wasmUrl: new URL(wasmUrl, location.href).href,
        modernWasmUrl: new URL(modernWasmUrl, location.href).href,
      });
      await this.renderer.ready;
    }
    this.loaded = script;
    this.drawn = null;
  }

  private async draw(moment: Moment) {
    const { us, width, height } = moment;
    const renderer = this.renderer!;
    const repaint = this.drawn === null;
    await renderer.manualRender(
      { expectedDisplayTime: performance.now(), width, height, mediaTime: us / 1e6 },
      repaint,
    );
    while (renderer.busy && !this.closed) await new Promise((later) => setTimeout(later));
    this.drawn = moment;
    if (this.wanted !== moment || this.closed) return;
    this.canvas.dataset.drawn = String(Math.round(us));
    this.canvas.dataset.script = this.loaded!;
  }

  destroy() {
    this.closed = true;
    const renderer = this.renderer;
    renderer?._ro.disconnect();
    void renderer?.ready.then(() => renderer.destroy()).catch(() => undefined);
    this.canvas.remove();
  }
}
