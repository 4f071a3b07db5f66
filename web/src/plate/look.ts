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

/** A colour matrix for RGB, row by row with a constant at the end, that does what the export does to luma and chroma (ITU-R BT.709). */
export function colourMatrix(look: Look): number[] {
  const { contrast, saturation, brightness, warmth } = look;
  const luma = [RED, GREEN, BLUE].map((share) => share * contrast);
  const lumaAdded = 0.5 - 0.5 * contrast + brightness;
  const difference = (channel: number, divisor: number) =>
    [RED, GREEN, BLUE].map((share, i) => ((i === channel ? 1 - share : -share) * saturation) / divisor);
  const cb = difference(2, BLUE_DIFFERENCE);
  const cr = difference(0, RED_DIFFERENCE);
  const red = [...luma.map((y, i) => y + RED_DIFFERENCE * cr[i]), lumaAdded + RED_DIFFERENCE * warmth];
  const blue = [...luma.map((y, i) => y + BLUE_DIFFERENCE * cb[i]), lumaAdded - BLUE_DIFFERENCE * warmth];
  const green = [...luma, lumaAdded].map((y, i) => (y - RED * red[i] - BLUE * blue[i]) / GREEN);
  const row = (channel: number[]) => [channel[0], channel[1], channel[2], 0, channel[3]];
  return [...row(red), ...row(green), ...row(blue), 0, 0, 0, 1, 0];
}

/** How something is styled that shows the picture, with the filter of an id. */
export const seen = (look: Look, filter: string) => ({
  filter: changesColour(look) ? `url(#${filter})` : undefined,
  transform: look.mirrored ? 'scaleX(-1)' : undefined,
});
