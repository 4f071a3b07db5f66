import JASSUB from 'jassub';
import workerUrl from 'jassub/dist/worker/worker.js?worker&url';
import wasmUrl from 'jassub/dist/wasm/jassub-worker.wasm?url';
import modernWasmUrl from 'jassub/dist/wasm/jassub-worker-modern.wasm?url';

const absolute = (address: string) => new URL(address, location.href).href;

async function fileAt(address: string): Promise<Uint8Array> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`The font ${address} cannot be had.`);
  return new Uint8Array(await answer.arrayBuffer());
}

/** libass in a worker, drawing on a canvas from a script and from the fonts that the export burns. */
export async function captionRenderer(
  canvas: HTMLCanvasElement,
  fonts: string[],
  script: { address: string } | { text: string },
): Promise<JASSUB> {
  // All at once: libass looks through all that it has whenever it is given something.
  const files = await Promise.all(fonts.map((font) => fileAt(absolute(font))));
  const renderer = new JASSUB({
    canvas,
    ...('address' in script ? { subUrl: absolute(script.address) } : { subContent: script.text }),
    fonts: files,
    availableFonts: {},
    defaultFont: 'noto sans semibold',
    queryFonts: false,
    workerUrl,
    wasmUrl: absolute(wasmUrl),
    modernWasmUrl: absolute(modernWasmUrl),
  });
  await renderer.ready;
  return renderer;
}

/** Draws a moment; done once it stands on the canvas. */
export async function drawMoment(
  renderer: JASSUB,
  us: number,
  size: { width: number; height: number },
  repaint: boolean,
  goesOn: () => boolean,
) {
  // What is asked for while it draws is left out.
  while (renderer.busy && goesOn()) await new Promise((later) => setTimeout(later));
  await renderer.manualRender({ expectedDisplayTime: performance.now(), ...size, mediaTime: us / 1e6 }, repaint);
  while (renderer.busy && goesOn()) await new Promise((later) => setTimeout(later));
}

/** Lets a renderer go. */
export function closeRenderer(renderer: JASSUB | null) {
  renderer?._ro.disconnect();
  void renderer?.ready.then(() => renderer.destroy()).catch(() => undefined);
}
