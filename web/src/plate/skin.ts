import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type FaceInClip } from '../api/client';
import type { Recorded } from './cameraColours';
import { drawnCanvas } from './paintFrame';
import type { Drawable } from './player';
import { lastAtOrBefore } from './sorted';

/** Whose skin is smoothed, and how much. */
export interface Skin {
  amount: number;
  faces: FaceInClip[];
}

/** What differs less than so many steps of luma is evened out. */
const EVENED = 12;
/** How far around is looked, as a share of a face's height. */
const RADIUS = 0.04;
/** The middle of the oval, half of its width and of its height, as shares of a face's. */
const OVAL = [0.5, 0.55, 0.55, 0.55];
/** The oval's edge is so soft, as a share of its square. */
const SOFT = 0.35;
/** Places that are kept: middle, and half of the width and the height, as shares of a face's. */
const KEPT = [
  [0.3, 0.34, 0.19, 0.11],
  [0.7, 0.34, 0.19, 0.11],
  [0.5, 0.79, 0.28, 0.14],
];
const KEPT_SOFT = 0.6;
const BLUE = { least: 77, most: 127 };
const RED = { least: 133, most: 173 };
/** A colour that is so far from skin's is none. */
const OTHER_COLOUR = 10;
const NUMBERS_OF_A_BOX = 4;
const CHANNELS = 4;
/** Luma of red, green and blue (Rec. ITU-R BT.709), and its range. */
const LUMA = [0.2126, 0.7152, 0.0722];
const STUDIO = 219 / 255;
const BLACK = 16;
const NO_COLOUR = 128;
const CHROMA = 224 / 255;

/** The faces that are seen in a clip, once they are wanted. */
export function useFacesInClip(clip: ClipState | null, isWanted: boolean): FaceInClip[] {
  const { data } = useQuery({
    queryKey: ['faces-in-clip', clip?.id, clip?.pared.stretches],
    queryFn: () => api.facesInClip(clip!.id),
    enabled: isWanted && clip !== null,
    placeholderData: (before) => before,
  });
  return data ?? NONE;
}

const NONE: FaceInClip[] = [];

/** Where a face is at a time of the episode: between two times at which it was found, on the way; null where it is not seen. */
export function faceAt({ shown, timesUs, boxes }: FaceInClip, us: number): number[] | null {
  if (us < shown.startUs || us >= shown.endUs) return null;
  const at = Math.max(0, lastAtOrBefore(timesUs, us));
  const next = Math.min(timesUs.length - 1, at + 1);
  const lasts = timesUs[next] - timesUs[at];
  const share = lasts > 0 ? clamped((us - timesUs[at]) / lasts) : 0;
  return Array.from({ length: NUMBERS_OF_A_BOX }, (_, k) => {
    const here = boxes[at * NUMBERS_OF_A_BOX + k];
    return here + share * (boxes[next * NUMBERS_OF_A_BOX + k] - here);
  });
}

const clamped = (share: number) => Math.max(0, Math.min(1, share));

let whole: HTMLCanvasElement | null = null;

/** A whole picture in which skin is smoothed as the export smooths it. */
export function withSmoothSkin(picture: Drawable, recorded: Recorded, skin: Skin, episodeUs: number): Drawable {
  const seen = skin.faces.flatMap((face) => {
    const box = faceAt(face, episodeUs);
    return box ? [{ cell: recorded.cameras[face.camera], box }] : [];
  });
  if (!seen.length || skin.amount === 0) return picture;
  whole ??= document.createElement('canvas');
  const width = picture.displayWidth;
  const height = Math.round((width * recorded.height) / recorded.width);
  if (whole.width !== width || whole.height !== height) {
    whole.width = width;
    whole.height = height;
  }
  const context = whole.getContext('2d', { willReadFrequently: true })!;
  picture.draw(context, 0, 0, width, height);
  const scale = width / recorded.width;
  for (const { cell, box } of seen) {
    const [x, y, wide, high] = box;
    const face = {
      x: (cell.x + x * cell.width) * scale,
      y: (cell.y + y * cell.height) * scale,
      width: wide * cell.width * scale,
      height: high * cell.height * scale,
    };
    const left = Math.max(Math.round(cell.x * scale), Math.floor(face.x + (OVAL[0] - OVAL[2]) * face.width));
    const top = Math.max(Math.round(cell.y * scale), Math.floor(face.y + (OVAL[1] - OVAL[3]) * face.height));
    const right = Math.min((cell.x + cell.width) * scale, Math.ceil(face.x + (OVAL[0] + OVAL[2]) * face.width));
    const bottom = Math.min((cell.y + cell.height) * scale, Math.ceil(face.y + (OVAL[1] + OVAL[3]) * face.height));
    if (right - left < 1 || bottom - top < 1) continue;
    const part = context.getImageData(left, top, Math.round(right - left), Math.round(bottom - top));
    smooth(part, { ...face, x: face.x - left, y: face.y - top }, skin.amount);
    context.putImageData(part, left, top);
  }
  return drawnCanvas(whole);
}

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Smooths the skin of a face in a part of a picture, by a guided filter that is guided by the picture itself. */
export function smooth({ data, width, height }: ImageData, face: Box, amount: number) {
  const count = width * height;
  const luma = new Float32Array(count);
  for (let i = 0; i < count; i++) {
    const at = i * CHANNELS;
    luma[i] = BLACK + STUDIO * (LUMA[0] * data[at] + LUMA[1] * data[at + 1] + LUMA[2] * data[at + 2]);
  }
  const even = evened(luma, width, height, Math.max(1, Math.round(RADIUS * face.height)));
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const share = amount * shareOfOval((x + 0.5 - face.x) / face.width, (y + 0.5 - face.y) / face.height);
      if (share === 0) continue;
      const i = y * width + x;
      const at = i * CHANNELS;
      const grey = (luma[i] - BLACK) / STUDIO;
      const skin = skinShare(
        NO_COLOUR + (CHROMA * (data[at + 2] - grey)) / 1.8556,
        NO_COLOUR + (CHROMA * (data[at] - grey)) / 1.5748,
      );
      const lighter = (share * skin * (even[i] - luma[i])) / STUDIO;
      for (let c = 0; c < 3; c++) data[at + c] += lighter;
    }
  }
}

/** By how much a colour is that of skin. */
function skinShare(blue: number, red: number): number {
  const away = Math.max(BLUE.least - blue, blue - BLUE.most, RED.least - red, red - RED.most);
  return clamped(1 - away / OTHER_COLOUR);
}

const square = (x: number, y: number, [middleX, middleY, halfWide, halfHigh]: number[]) =>
  ((x - middleX) / halfWide) ** 2 + ((y - middleY) / halfHigh) ** 2;

/** By how much a place is in the oval, and is neither an eye nor the mouth; as shares of the face. */
function shareOfOval(x: number, y: number): number {
  let share = clamped((1 - square(x, y, OVAL)) / SOFT);
  for (const kept of KEPT) share = Math.min(share, clamped((square(x, y, kept) - 1) / KEPT_SOFT));
  return share;
}

function evened(luma: Float32Array, width: number, height: number, radius: number): Float32Array {
  const mean = blurred(luma, width, height, radius);
  const spread = blurred(
    luma.map((v) => v * v),
    width,
    height,
    radius,
  );
  const stays = new Float32Array(luma.length);
  const level = new Float32Array(luma.length);
  for (let i = 0; i < luma.length; i++) {
    const variance = Math.max(0, spread[i] - mean[i] * mean[i]);
    stays[i] = variance / (variance + EVENED * EVENED);
    level[i] = mean[i] * (1 - stays[i]);
  }
  const stayed = blurred(stays, width, height, radius);
  const levelled = blurred(level, width, height, radius);
  return luma.map((v, i) => v * stayed[i] + levelled[i]);
}

/** The mean of a square around each sample; beyond its edges a picture is as in a mirror. */
function blurred(samples: Float32Array, width: number, height: number, radius: number): Float32Array {
  const along = boxes(samples, width, height, 1, width, radius);
  return boxes(along, height, width, width, 1, radius);
}

/** Running means along lines, `step` from one sample of a line to the next and `lineStep` from line to line. */
function boxes(from: Float32Array, length: number, lines: number, step: number, lineStep: number, radius: number) {
  const to = new Float32Array(from.length);
  const size = 2 * radius + 1;
  const inside = (n: number) => {
    if (length === 1) return 0;
    const around = Math.abs(n) % (2 * length - 2);
    return around < length ? around : 2 * length - 2 - around;
  };
  for (let line = 0; line < lines; line++) {
    const start = line * lineStep;
    let sum = 0;
    for (let n = -radius; n <= radius; n++) sum += from[start + inside(n) * step];
    for (let n = 0; n < length; n++) {
      to[start + n * step] = sum / size;
      sum += from[start + inside(n + radius + 1) * step] - from[start + inside(n - radius) * step];
    }
  }
  return to;
}
