import JASSUB from 'jassub';
import workerUrl from 'jassub/dist/worker/worker.js?worker&url';
import wasmUrl from 'jassub/dist/wasm/jassub-worker.wasm?url';
import modernWasmUrl from 'jassub/dist/wasm/jassub-worker-modern.wasm?url';

const FONTS = ['/lettering-fonts/archivo-black.woff2', '/lettering-fonts/barlow-condensed-semibold.woff2'];

/** Draws captions over the plate with libass, from the very script and fonts that the export burns. */
export class CaptionLayer {
  private readonly canvas = document.createElement('canvas');
  private renderer: JASSUB | null = null;
  private script = '';
  private last: { us: number; width: number; height: number } | null = null;

  constructor(host: HTMLElement) {
    this.canvas.className = 'absolute inset-0 h-full w-full pointer-events-none';
    this.canvas.dataset.testid = 'captions';
    host.appendChild(this.canvas);
  }

  async setScript(script: string) {
    if (script === this.script) return;
    this.script = script;
    if (!this.renderer) {
      this.renderer = new JASSUB({
        canvas: this.canvas,
        subContent: script,
        fonts: FONTS.map((f) => new URL(f, location.href).href),
        availableFonts: {},
        defaultFont: 'archivo black',
        queryFonts: false,
        workerUrl,
        wasmUrl: new URL(wasmUrl, location.href).href,
        modernWasmUrl: new URL(modernWasmUrl, location.href).href,
      });
      await this.renderer.ready;
    } else {
      const renderer = this.renderer;
      await renderer.ready;
      if (this.renderer !== renderer) return;
      await renderer.renderer.setTrack(script);
    }
    if (this.last) this.show(this.last.us, this.last.width, this.last.height, true);
  }

  /** Shows what stands at a time of the clip; size is that of the script's picture. */
  show(us: number, width: number, height: number, again = false) {
    this.last = { us, width, height };
    const renderer = this.renderer;
    if (!renderer) return;
    const drawn = renderer.ready.then(() =>
      this.renderer === renderer
        ? renderer.manualRender({ expectedDisplayTime: performance.now(), width, height, mediaTime: us / 1e6 }, again)
        : undefined,
    );
    drawn.catch((error) => this.report(error));
  }

  /** A drawing under way when the plate closes comes back refused; anything else is worth knowing. */
  private report(error: unknown) {
    if (this.renderer) console.error(error);
  }

  destroy() {
    const renderer = this.renderer;
    this.renderer = null;
    renderer?._ro.disconnect();
    void renderer?.ready.then(() => renderer.destroy()).catch((error) => this.report(error));
    this.canvas.remove();
  }
}
