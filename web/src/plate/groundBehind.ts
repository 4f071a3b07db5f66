import type { Ground } from './framePath';
import { drawnCanvas, TONES } from './paintFrame';
import type { Drawable } from './player';

/** The soft ground is worked out so small, pixels of its longer side. */
const SMALL = 240;
/** What is at its edges goes on so far beyond them before it is blurred. */
const BEYOND = 0.06;
/** The blur's deviation as a share of the longer side. */
const SOFTNESS = 0.018;
/** How often people are taken out, so that nothing is left at their edges. */
const EMPTIED = 2;
/** How often what is seen without people is laid upon what is seen with them. */
const LAYERS = 4;

interface Layers {
  whole: HTMLCanvasElement;
  people: HTMLCanvasElement;
  soft: HTMLCanvasElement;
  emptied: HTMLCanvasElement;
}

let layers: Layers | null = null;

const used = (): Layers =>
  (layers ??= {
    whole: document.createElement('canvas'),
    people: document.createElement('canvas'),
    soft: document.createElement('canvas'),
    emptied: document.createElement('canvas'),
  });

function sized(canvas: HTMLCanvasElement, width: number, height: number): CanvasRenderingContext2D {
  canvas.width = width;
  canvas.height = height;
  return canvas.getContext('2d')!;
}

/**
 * A whole picture in which the ground behind people is exchanged as the export exchanges it: for one tone, or
 * for the picture itself, blurred without them.
 *
 * @param matte opaque where people are
 */
export function withGroundBehind(
  picture: Drawable,
  recorded: { width: number; height: number },
  ground: Ground,
  matte: CanvasImageSource,
): Drawable {
  const { whole, people, soft } = used();
  const width = picture.displayWidth;
  const height = Math.round((width * recorded.height) / recorded.width);
  const cut = sized(people, width, height);
  picture.draw(cut, 0, 0, width, height);
  cut.globalCompositeOperation = 'destination-in';
  cut.drawImage(matte, 0, 0, width, height);
  const all = sized(whole, width, height);
  if (ground === 'SOFT') {
    const { x, y, wide, high } = drawSoft(picture, recorded, matte);
    all.drawImage(soft, x, y, wide, high, 0, 0, width, height);
  } else {
    all.fillStyle = TONES[ground];
    all.fillRect(0, 0, width, height);
  }
  all.drawImage(people, 0, 0);
  return drawnCanvas(whole);
}

/** Draws the picture blurred; answers which part of it the picture is. */
function drawSoft(picture: Drawable, recorded: { width: number; height: number }, matte: CanvasImageSource) {
  const { soft, emptied } = used();
  const longer = Math.max(recorded.width, recorded.height);
  const wide = Math.round((SMALL * recorded.width) / longer);
  const high = Math.round((SMALL * recorded.height) / longer);
  const x = Math.round(wide * BEYOND);
  const y = Math.round(high * BEYOND);
  const part = { x, y, wide, high };
  const without = sized(emptied, wide + 2 * x, high + 2 * y);
  without.imageSmoothingQuality = 'high';
  drawWithMargin(without, part, (...at) => picture.draw(without, ...at));
  const blurred = sized(soft, wide + 2 * x, high + 2 * y);
  // Beyond the edge it would be blurred with nothing.
  blurred.drawImage(emptied, 0, 0);
  blurred.filter = `blur(${SOFTNESS * SMALL}px)`;
  blurred.drawImage(emptied, 0, 0);
  without.globalCompositeOperation = 'destination-out';
  for (let n = 0; n < EMPTIED; n++) drawWithMargin(without, part, (...at) => without.drawImage(matte, ...at));
  for (let n = 0; n < LAYERS; n++) blurred.drawImage(emptied, 0, 0);
  return part;
}

/** Draws something into its part of a canvas, and around it what it has at its edges. */
function drawWithMargin(
  context: CanvasRenderingContext2D,
  { x, y, wide, high }: { x: number; y: number; wide: number; high: number },
  draw: (x: number, y: number, width: number, height: number) => void,
) {
  const { width, height } = context.canvas;
  const within = (isMargin: boolean, drawn: () => void) => {
    context.save();
    context.beginPath();
    context.rect(x, y, wide, high);
    if (isMargin) context.rect(0, 0, width, height);
    context.clip('evenodd');
    drawn();
    context.restore();
  };
  within(true, () => draw(0, 0, width, height));
  within(false, () => draw(x, y, wide, high));
}
