import type { Recorded } from './cameraColours';
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

type Place = [x: number, y: number, width: number, height: number];

/**
 * A whole picture in which the ground behind people is exchanged as the export exchanges it, camera by camera:
 * for one tone, or for the picture itself, blurred without them.
 *
 * @param matte opaque where people are
 */
export function withGroundBehind(
  picture: Drawable,
  recorded: Recorded,
  ground: Exclude<Ground, 'PICTURE'>,
  matte: CanvasImageSource,
): Drawable {
  const { whole, people } = used();
  const width = picture.displayWidth;
  const height = Math.round((width * recorded.height) / recorded.width);
  const cut = sized(people, width, height);
  picture.draw(cut, 0, 0, width, height);
  cut.globalCompositeOperation = 'destination-in';
  cut.drawImage(matte, 0, 0, width, height);
  const all = sized(whole, width, height);
  if (ground === 'SOFT') {
    for (const cell of recorded.cameras) drawSoft(all, picture, recorded, cell, matte);
  } else {
    all.fillStyle = TONES[ground];
    all.fillRect(0, 0, width, height);
  }
  all.drawImage(people, 0, 0);
  return drawnCanvas(whole);
}

/** Draws the picture of a camera blurred where it lies in that of all. */
function drawSoft(
  all: CanvasRenderingContext2D,
  picture: Drawable,
  recorded: Recorded,
  cell: Recorded['cameras'][number],
  matte: CanvasImageSource,
) {
  const { soft, emptied } = used();
  const longer = Math.max(cell.width, cell.height);
  const wide = Math.max(1, Math.round((SMALL * cell.width) / longer));
  const high = Math.max(1, Math.round((SMALL * cell.height) / longer));
  const x = Math.round(wide * BEYOND);
  const y = Math.round(high * BEYOND);
  const part = { x, y, wide, high };
  /** Where the pictures of all lie when that of this camera lies somewhere. */
  const placed = ([left, top, width, height]: Place): Place => {
    const across = width / cell.width;
    const down = height / cell.height;
    return [left - cell.x * across, top - cell.y * down, recorded.width * across, recorded.height * down];
  };
  const without = sized(emptied, wide + 2 * x, high + 2 * y);
  without.imageSmoothingQuality = 'high';
  drawWithMargin(without, part, (...at) => picture.draw(without, ...placed(at)));
  const blurred = sized(soft, wide + 2 * x, high + 2 * y);
  // Beyond the edge it would be blurred with nothing.
  blurred.drawImage(emptied, 0, 0);
  blurred.filter = `blur(${SOFTNESS * SMALL}px)`;
  blurred.drawImage(emptied, 0, 0);
  without.globalCompositeOperation = 'destination-out';
  for (let n = 0; n < EMPTIED; n++) drawWithMargin(without, part, (...at) => without.drawImage(matte, ...placed(at)));
  for (let n = 0; n < LAYERS; n++) blurred.drawImage(emptied, 0, 0);
  const across = all.canvas.width / recorded.width;
  const down = all.canvas.height / recorded.height;
  const to: Place = [cell.x * across, cell.y * down, cell.width * across, cell.height * down];
  all.drawImage(soft, x, y, wide, high, ...to);
}

/** Draws something into its part of a canvas, and around it what it has at its edges. */
function drawWithMargin(
  context: CanvasRenderingContext2D,
  { x, y, wide, high }: { x: number; y: number; wide: number; high: number },
  draw: (...at: Place) => void,
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
