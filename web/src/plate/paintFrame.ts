import { windowAt, type Ground, type Segment, type Window } from './framePath';
import { drawBackdrop, type Backdrop } from './backdrop';
import type { Drawable } from './player';

/** Greys of the plain grounds, as the export lays them. */
export const TONES = { DARK: 'rgb(26 26 26)', LIGHT: 'rgb(244 244 244)' };
/** The soft ground is worked out so small, pixels of its longer side. */
const SMALL = 240;
/** It goes beyond the canvas by this share of it on each side, so that its edges are out of sight. */
const BEYOND = 0.1;
/** The blur's deviation as a share of the longer side. */
const SOFTNESS = 0.015;

/** What is seen besides the recording. */
export interface Scenery {
  /** Null where there is none, or not yet. */
  backdrop: Backdrop | null;
  /** Opaque where people are who stand before it; null where they are seen as recorded. */
  people: CanvasImageSource | null;
}

const NOTHING_ELSE: Scenery = { backdrop: null, people: null };

/** Draws one frame as it will be delivered: its ground, and pane by pane what shows of the recording. */
export function paintFrame(
  context: CanvasRenderingContext2D,
  picture: Drawable,
  recorded: { width: number; height: number },
  segment: Segment | undefined,
  frame: number,
  { backdrop, people }: Scenery = NOTHING_ELSE,
) {
  const { width, height } = context.canvas;
  // The plate is smaller than the proxy: single pixels are not to be left out.
  context.imageSmoothingQuality = 'high';
  if (!segment) {
    picture.draw(context, 0, 0, width, height);
    return;
  }
  const [first] = segment.panes;
  if (segment.panes.length > 1 || first.place.width < 1 || first.place.height < 1)
    paintGround(context, picture, recorded, segment.ground, backdrop);
  for (const pane of segment.panes) {
    const window = windowAt(pane, frame - segment.clipFrame);
    const place = {
      x: pane.place.x * width,
      y: pane.place.y * height,
      width: pane.place.width * width,
      height: pane.place.height * height,
    };
    if (backdrop && people) drawBefore(context, backdrop, picture, people, recorded, window, place);
    else drawPart(context, picture, recorded, window, place);
  }
}

const cutOut = typeof document === 'undefined' ? null : document.createElement('canvas');

/** Draws the people in a part of the picture before a backdrop, which fills the place. */
function drawBefore(
  context: CanvasRenderingContext2D,
  backdrop: Backdrop,
  picture: Drawable,
  people: CanvasImageSource,
  recorded: { width: number; height: number },
  window: Window,
  place: Window,
) {
  const cut = cutOut?.getContext('2d');
  if (!cutOut || !cut) return;
  cutOut.width = Math.ceil(place.width);
  cutOut.height = Math.ceil(place.height);
  const all = { x: 0, y: 0, width: place.width, height: place.height };
  cut.imageSmoothingQuality = 'high';
  drawPart(cut, picture, recorded, window, all);
  cut.globalCompositeOperation = 'destination-in';
  const matte: Drawable = {
    displayWidth: recorded.width,
    draw: (to, ...where: number[]) =>
      (to.drawImage as (image: CanvasImageSource, ...at: number[]) => void)(people, ...where),
  };
  drawPart(cut, matte, recorded, window, all);
  drawBackdrop(context, backdrop, place);
  context.drawImage(cutOut, place.x, place.y);
}

/**
 * Draws a part of the picture. It is the whole picture that is drawn, so large that the part fills its place, for
 * the corners of a part would be taken to whole pixels.
 */
function drawPart(
  context: CanvasRenderingContext2D,
  picture: Drawable,
  recorded: { width: number; height: number },
  window: Window,
  to: Window,
) {
  const across = to.width / window.width;
  const down = to.height / window.height;
  context.save();
  context.beginPath();
  context.rect(to.x, to.y, to.width, to.height);
  context.clip();
  picture.draw(
    context,
    to.x - window.x * across,
    to.y - window.y * down,
    recorded.width * across,
    recorded.height * down,
  );
  context.restore();
}

const small = typeof document === 'undefined' ? null : document.createElement('canvas');

function paintGround(
  context: CanvasRenderingContext2D,
  picture: Drawable,
  recorded: { width: number; height: number },
  ground: Ground,
  backdrop: Backdrop | null,
) {
  const { width, height } = context.canvas;
  if (ground === 'PICTURE' && backdrop) {
    drawBackdrop(context, backdrop, { x: 0, y: 0, width, height });
    return;
  }
  if (ground !== 'SOFT') {
    context.fillStyle = TONES[ground === 'PICTURE' ? 'DARK' : ground];
    context.fillRect(0, 0, width, height);
    return;
  }
  const soft = small?.getContext('2d');
  if (!small || !soft) return;
  const ratio = width / height;
  const seenWide = Math.round(ratio >= 1 ? SMALL : SMALL * ratio);
  const seenHigh = Math.round(ratio >= 1 ? SMALL / ratio : SMALL);
  const besideX = Math.round(seenWide * BEYOND);
  const besideY = Math.round(seenHigh * BEYOND);
  small.width = seenWide + 2 * besideX;
  small.height = seenHigh + 2 * besideY;
  const wide = Math.min(recorded.width, recorded.height * ratio);
  const high = wide / ratio;
  soft.filter = `blur(${SOFTNESS * SMALL}px)`;
  const filling = { x: (recorded.width - wide) / 2, y: (recorded.height - high) / 2, width: wide, height: high };
  drawPart(soft, picture, recorded, filling, {
    x: 0,
    y: 0,
    width: small.width,
    height: small.height,
  });
  context.drawImage(small, besideX, besideY, seenWide, seenHigh, 0, 0, width, height);
}

/** A canvas as a picture that can be drawn in part. */
export function drawnCanvas(canvas: HTMLCanvasElement): Drawable {
  return {
    displayWidth: canvas.width,
    draw: (context: CanvasRenderingContext2D, ...where: number[]) =>
      (context.drawImage as (image: CanvasImageSource, ...where: number[]) => void)(canvas, ...where),
  };
}
