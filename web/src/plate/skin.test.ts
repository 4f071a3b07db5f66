import { describe, expect, it } from 'vitest';
import { faceAt, smooth } from './skin';

const SKIN = [200, 150, 125];
const SIDE = 60;

/** A picture of one colour, some of whose pixels are lighter or darker by some steps. */
function picture(colour: number[], lighter: (x: number, y: number) => number): ImageData {
  const data = new Uint8ClampedArray(4 * SIDE * SIDE);
  for (let i = 0; i < SIDE * SIDE; i++) {
    const more = lighter(i % SIDE, Math.floor(i / SIDE));
    data.set([...colour.map((c) => c + more), 255], 4 * i);
  }
  return { data, width: SIDE, height: SIDE, colorSpace: 'srgb' };
}

const whole = { x: 0, y: 0, width: SIDE, height: SIDE };
const chequered = (x: number, y: number) => ((x + y) % 2 === 0 ? 4 : -4);
const redAt = ({ data }: ImageData, x: number, y: number) => data[4 * (y * SIDE + x)];

describe('smooth skin', () => {
  it('evens out what differs little', () => {
    const part = picture(SKIN, chequered);
    smooth(part, whole, 1);
    for (const [x, y] of [
      [10, 32],
      [11, 32],
      [50, 32],
    ])
      expect(Math.abs(redAt(part, x, y) - SKIN[0])).toBeLessThanOrEqual(1);
  });

  it('leaves edges, eyes and mouth, other colours, and all beyond the oval', () => {
    const edge = picture(SKIN, (x) => (x < 10 ? -70 : 0));
    const was = edge.data.slice();
    smooth(edge, whole, 1);
    for (let x = 8; x < 12; x++) expect(Math.abs(redAt(edge, x, 32) - was[4 * (32 * SIDE + x)])).toBeLessThanOrEqual(5);
    const part = picture(SKIN, chequered);
    const before = part.data.slice();
    smooth(part, whole, 1);
    for (const [x, y] of [
      [18, 20],
      [42, 20],
      [30, 47],
      [1, 1],
      [58, 58],
    ])
      expect(redAt(part, x, y)).toBe(before[4 * (y * SIDE + x)]);
    const green = picture([60, 160, 60], chequered);
    const asItWas = green.data.slice();
    smooth(green, whole, 1);
    expect(green.data).toEqual(asItWas);
  });

  it('does half of it half-way', () => {
    const part = picture(SKIN, chequered);
    smooth(part, whole, 0.5);
    expect(Math.abs(redAt(part, 10, 32) - SKIN[0])).toBe(2);
  });
});

describe('a face in a clip', () => {
  const face = {
    camera: 0,
    shown: { startUs: 100, endUs: 1300 },
    timesUs: [200, 1200],
    boxes: [0, 0, 0.1, 0.1, 0.5, 0.2, 0.1, 0.3],
  };

  it('is on its way between two places, and nowhere outside its shot', () => {
    expect(faceAt(face, 700)).toEqual([0.25, 0.1, 0.1, 0.2]);
    expect(faceAt(face, 150)).toEqual([0, 0, 0.1, 0.1]);
    expect(faceAt(face, 1250)).toEqual([0.5, 0.2, 0.1, 0.3]);
    expect(faceAt(face, 1300)).toBeNull();
    expect(faceAt(face, 99)).toBeNull();
  });
});
