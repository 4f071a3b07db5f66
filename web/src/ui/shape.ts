import type { Shape } from '../api/client';

/** A shape as it is written: 9:16. */
export const shapeText = (shape: Shape) => `${shape.width}:${shape.height}`;
