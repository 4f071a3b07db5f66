export interface Place {
  x: number;
  y: number;
}

interface Margins {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

/** How near a place has to be to snap, as a share of the picture. */
const NEAR = 0.015;

const near = (value: number, places: number[]): number | null =>
  places.find((place) => Math.abs(place - value) < NEAR) ?? null;

/** A place, snapped to the middle, the thirds and the edges that are free, with the lines that it snapped to. */
export function snapped(place: Place, safe: Margins): { place: Place; guides: { x: number | null; y: number | null } } {
  const x = near(place.x, [0.5, 1 / 3, 2 / 3, (safe.left + 1 - safe.right) / 2]);
  const y = near(place.y, [1 - safe.bottom, 0.5, 1 / 3, 2 / 3]);
  const within = (v: number) => Math.min(1, Math.max(0, v));
  return { place: { x: within(x ?? place.x), y: within(y ?? place.y) }, guides: { x, y } };
}
