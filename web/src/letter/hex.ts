import type { Style } from '../api/client';

type Colour = Style['text'];

const two = (part: number) => part.toString(16).padStart(2, '0');

/** A colour as the browser's colour fields write it, without how much of it is seen. */
export const hexOf = (c: Colour) => `#${two(c.red)}${two(c.green)}${two(c.blue)}`;

export function colourOf(written: string, alpha = 255): Colour {
  const all = parseInt(written.slice(1), 16);
  return { red: all >> 16, green: (all >> 8) & 255, blue: all & 255, alpha };
}
