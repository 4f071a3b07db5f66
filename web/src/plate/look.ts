import type { ClipState } from '../api/client';

export type Look = ClipState['framed']['look'];

export const AS_RECORDED: Look = { brightness: 0, contrast: 1, saturation: 1, warmth: 0, mirrored: false };

export const changesColour = (look: Look) =>
  look.brightness !== 0 || look.contrast !== 1 || look.saturation !== 1 || look.warmth !== 0;

const RED = 0.2126;
const GREEN = 0.7152;
const BLUE = 0.0722;
const BLUE_DIFFERENCE = 1.8556;
const RED_DIFFERENCE = 1.5748;

/** Shares of luma and of the differences of blue and red, and what is added. */
type Row = [number, number, number, number];

/** A colour matrix for RGB, row by row with a constant at the end, that makes other luma and chroma (ITU-R BT.709). */
export function rgbMatrix(to: { luma: Row; blue: Row; red: Row }): number[] {
  const seenLuma = [RED, GREEN, BLUE];
  const difference = (channel: number, divisor: number) =>
    seenLuma.map((share, i) => (i === channel ? 1 - share : -share) / divisor);
  const seenBlue = difference(2, BLUE_DIFFERENCE);
  const seenRed = difference(0, RED_DIFFERENCE);
  const inRgb = ([luma, blue, red, added]: Row) => [
    ...seenLuma.map((y, i) => luma * y + blue * seenBlue[i] + red * seenRed[i]),
    added,
  ];
  const y = inRgb(to.luma);
  const cb = inRgb(to.blue);
  const cr = inRgb(to.red);
  const red = y.map((v, i) => v + RED_DIFFERENCE * cr[i]);
  const blue = y.map((v, i) => v + BLUE_DIFFERENCE * cb[i]);
  const green = y.map((v, i) => (v - RED * red[i] - BLUE * blue[i]) / GREEN);
  const row = (channel: number[]) => [channel[0], channel[1], channel[2], 0, channel[3]];
  return [...row(red), ...row(green), ...row(blue), 0, 0, 0, 1, 0];
}

/** A colour matrix for RGB that does what the export does to luma and chroma. */
export function colourMatrix({ contrast, saturation, brightness, warmth }: Look): number[] {
  return rgbMatrix({
    luma: [contrast, 0, 0, 0.5 - 0.5 * contrast + brightness],
    blue: [0, saturation, 0, -warmth],
    red: [0, 0, saturation, warmth],
  });
}

/** The filter of the plate, which is on the page wherever a clip is open. */
export const PLATE_LOOK = 'plate-look';

/** How something is styled that shows the picture, with the filter of an id. */
export const seen = (look: Look, filter: string) => ({
  filter: changesColour(look) ? `url(#${filter})` : undefined,
  transform: look.mirrored ? 'scaleX(-1)' : undefined,
});
