import { describe, expect, it } from 'vitest';
import type { Style } from '../api/client';
import { apart, byItself, isApart, placeIn, put, shapeOf, together } from './placing';

const upright = { width: 9, height: 16 };
const square = { width: 1, height: 1 };
const style = (more: Partial<Style>) => ({ place: null, places: [], ...more }) as unknown as Style;
const low = { x: 0.5, y: 0.8 };
const high = { x: 0.5, y: 0.3 };

describe('places of captions', () => {
  it('knows shapes in lowest terms', () => {
    expect(shapeOf({ width: 1080, height: 1920 })).toEqual(upright);
    expect(shapeOf({ width: 540, height: 540 })).toEqual(square);
  });

  it('puts captions everywhere, and in a shape alone once that stands apart', () => {
    const everywhere = style(put(style({}), upright, low));
    expect(placeIn(everywhere, square)).toEqual(low);
    const two = { ...everywhere, ...apart(everywhere, square, low) };
    const moved = { ...two, ...put(two, square, high) };
    expect(placeIn(moved, square)).toEqual(high);
    expect(placeIn(moved, { width: 2, height: 2 })).toEqual(high);
    expect(placeIn(moved, upright)).toEqual(low);
    expect(moved.places).toHaveLength(1);
  });

  it('goes back to the others, and then to where there is room', () => {
    const moved = style({ place: low, places: [{ shape: square, place: high }] });
    expect(isApart(moved, square)).toBe(true);
    expect(placeIn({ ...moved, ...together(moved, square) }, square)).toEqual(low);
    expect(byItself(moved, square)).toEqual({ places: [] });
    expect(byItself(moved, upright)).toEqual({ place: null });
  });
});
