import type { Style } from '../api/client';

export type Place = NonNullable<Style['place']>;
export type Shape = Style['places'][number]['shape'];

/** The shape of a picture, in lowest terms. */
export function shapeOf({ width, height }: { width: number; height: number }): Shape {
  const common = (a: number, b: number): number => (b ? common(b, a % b) : a);
  const by = common(width, height) || 1;
  return { width: width / by, height: height / by };
}

const isLike = (one: Shape, other: Shape) => one.width * other.height === other.width * one.height;

/** Whether captions have a place of their own in a shape. */
export const isApart = (style: Style, shape: Shape) => style.places.some((p) => isLike(p.shape, shape));

/** Where captions were put in a shape; null for nowhere. */
export const placeIn = (style: Style, shape: Shape): Place | null =>
  style.places.find((p) => isLike(p.shape, shape))?.place ?? style.place;

const without = (style: Style, shape: Shape) => style.places.filter((p) => !isLike(p.shape, shape));

/** Captions put somewhere in a shape: in it alone where it has a place of its own, else in all. */
export const put = (style: Style, shape: Shape, place: Place): Partial<Style> =>
  isApart(style, shape) ? apart(style, shape, place) : { place };

/** Captions put somewhere in a shape alone. */
export const apart = (style: Style, shape: Shape, place: Place): Partial<Style> => ({
  places: [...without(style, shape), { shape, place }],
});

/** Captions of a shape where they stand in the others. */
export const together = (style: Style, shape: Shape): Partial<Style> => ({ places: without(style, shape) });

/** Captions that stand where there is room, in a shape alone where it has a place of its own, else in all. */
export const byItself = (style: Style, shape: Shape): Partial<Style> =>
  isApart(style, shape) ? together(style, shape) : { place: null };
