import { describe, expect, it } from 'vitest';
import { AS_IT_IS, coloured, mapMatrix, mapsOf } from './cameraColours';
import { colourMatrix } from './look';
import type { Drawable } from './player';

const shown = (matrix: number[], [r, g, b]: number[]) =>
  [0, 1, 2].map((row) => {
    const [x, y, z, , added] = matrix.slice(5 * row, 5 * row + 5);
    return x * r + y * g + z * b + added;
  });

describe('the colours of a camera', () => {
  it('are as recorded where nothing is changed', () => {
    const [r, g, b] = shown(mapMatrix(AS_IT_IS), [0.2, 0.5, 0.9]);
    expect([r, g, b].map((v) => Math.round(v * 1e6) / 1e6)).toEqual([0.2, 0.5, 0.9]);
  });

  // Luma 0.5: red is luma and 1.5748 times its difference (ITU-R BT.709).
  it('go along with luma, as another white balance has them', () => {
    const [r, g, b] = shown(mapMatrix({ ...AS_IT_IS, redByLuma: 0.1 }), [0.5, 0.5, 0.5]);
    expect(r).toBeCloseTo(0.5 + 1.5748 * 0.05, 6);
    expect(b).toBeCloseTo(0.5, 6);
    expect(0.2126 * r + 0.7152 * g + 0.0722 * b).toBeCloseTo(0.5, 6);
  });

  it('are drawn camera by camera, and only where one is in sight', () => {
    const drawn: string[] = [];
    const context = {
      canvas: { width: 100, height: 100 },
      filter: 'none',
      save: () => undefined,
      restore: () => (context.filter = 'none'),
      beginPath: () => undefined,
      rect: (x: number) => drawn.push(`at ${x}`),
      clip: () => undefined,
    };
    const picture = { displayWidth: 200, draw: () => drawn.push(context.filter) } as unknown as Drawable;
    const cameras = [0, 100, 200].map((x) => ({ x, y: 0, width: 100, height: 100 }));
    const maps = [AS_IT_IS, { ...AS_IT_IS, lumaTimes: 1.2 }, { ...AS_IT_IS, lumaTimes: 0.9 }];
    coloured(picture, { width: 300, height: 100, cameras }, { camera: 0, maps, looks: [] }).draw(
      context as unknown as CanvasRenderingContext2D,
      -50,
      0,
      300,
      100,
    );
    expect(drawn).toEqual(['at -50', 'none', 'at 50', 'url("#camera-colours-1")']);
    expect(coloured(picture, { width: 300, height: 100, cameras }, { camera: 0, maps: [AS_IT_IS], looks: [] })).toBe(
      picture,
    );
  });

  // The same numbers as the core's: a look after a map is one map.
  it('are made alike first and changed by hand then', () => {
    const warm = { brightness: 0.1, contrast: 1.2, saturation: 0.5, warmth: 0.05, mirrored: false };
    const map = { ...AS_IT_IS, lumaTimes: 1.5, lumaAdded: -0.2, redByLuma: 0.1 };
    const [first, second] = mapsOf({ camera: 0, maps: [AS_IT_IS, map], looks: [warm, warm] });
    expect(mapMatrix(first).map((v) => v.toFixed(9))).toEqual(colourMatrix(warm).map((v) => v.toFixed(9)));
    expect(second.lumaTimes).toBeCloseTo(1.8, 9);
    expect(second.lumaAdded).toBeCloseTo(-0.24 - 0.1 + 0.1, 9);
    expect(second.redByLuma).toBeCloseTo(0.05, 9);
    expect(second.redAdded).toBeCloseTo(0.05, 9);
  });
});
