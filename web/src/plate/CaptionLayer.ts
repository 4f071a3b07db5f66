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
  private loaded = '';
  private loading: Promise<unknown> = Promise.resolve();
  private last: { us: number; width: number; height: number } | null = null;

  constructor(host: HTMLElement) {
    this.canvas.className = 'absolute inset-0 h-full w-full pointer-events-none';
    this.canvas.dataset.testid = 'captions';
    host.appendChild(this.canvas);
  }

  /** Takes the script at an address; the worker fetches it, since that of hours of talk is megabytes. */
  async setScript(address: string) {
    if (address === this.script) return;
    this.script = address;
    const url = new URL(address, location.href).href;
    if (!this.renderer) {
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
    } else {
      const renderer = this.renderer;
      this.loading = Promise.all([this.loading, renderer.ready]).then(() =>
        this.renderer === renderer && this.script === address ? renderer.renderer.setTrackByUrl(url) : undefined,
      );
      await this.loading;
    }
    this.loaded = address;
    if (this.last) this.show(this.last.us, this.last.width, this.last.height, true);
  }

  /** Shows what stands at a time of the clip; size is that of the script's picture. */
  show(us: number, width: number, height: number, again = false) {
    this.last = { us, width, height };
    const renderer = this.renderer;
    if (!renderer) return;
    delete this.canvas.dataset.drawn;
    const drawn = renderer.ready.then(() =>
      this.renderer === renderer
        ? renderer.manualRender({ expectedDisplayTime: performance.now(), width, height, mediaTime: us / 1e6 }, again)
        : undefined,
    );
    drawn
      .then(() => {
        if (this.last?.us === us && this.loaded === this.script) this.canvas.dataset.drawn = String(Math.round(us));
      })
      .catch((error) => this.report(error));
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
