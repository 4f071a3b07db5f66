import { describe, expect, it } from 'vitest';
import { cameraCutAt, cameraOf } from './cameras';
import { within } from './framing';

const cut = (id: number, atUs: number, camera: number) => ({ id, atUs, camera });
const clip = (cameras: ReturnType<typeof cut>[], stretches = [{ startUs: 0, endUs: 100 }]) =>
  ({ pared: { stretches }, framed: { cameras } }) as unknown as Parameters<typeof cameraCutAt>[0];

describe('a camera that was set', () => {
  it('holds from its time to the next', () => {
    const of = clip([cut(2, 60, 0), cut(1, 20, 1)]);
    expect(cameraCutAt(of, 10)).toBeNull();
    expect(cameraCutAt(of, 20)?.id).toBe(1);
    expect(cameraCutAt(of, 59)?.id).toBe(1);
    expect(cameraCutAt(of, 60)?.id).toBe(2);
  });

  it('does not hold before it, though one stands outside of the clip', () => {
    const of = clip([cut(1, 60, 1)], [{ startUs: 10, endUs: 100 }]);
    expect(cameraCutAt(of, 0)).toBeNull();
    expect(cameraCutAt(of, 200)?.id).toBe(1);
  });

  it('goes on in the order of the clip, not of the episode', () => {
    const stretches = [
      { startUs: 50, endUs: 100 },
      { startUs: 0, endUs: 40 },
    ];
    const of = clip([cut(1, 70, 1), cut(2, 20, 0)], stretches);
    expect(cameraCutAt(of, 60)).toBeNull();
    expect(cameraCutAt(of, 10)?.id).toBe(1);
    expect(cameraCutAt(of, 30)?.id).toBe(2);
  });
});

it('keeps a window within its picture', () => {
  const cameras = [
    { x: 0, y: 0, width: 100, height: 60 },
    { x: 100, y: 0, width: 80, height: 40 },
  ];
  const recorded = { width: 200, height: 60, cameras };
  expect(within({ x: 70, y: 10, width: 40, height: 50 }, recorded)).toEqual({ x: 60, y: 10, width: 40, height: 50 });
  const other = within({ x: 90, y: 10, width: 40, height: 50 }, recorded);
  expect(other).toEqual({ x: 100, y: 0, width: 32, height: 40 });
});

it('is told by where a window lies', () => {
  const cells = [
    { x: 0, y: 0, width: 100, height: 50 },
    { x: 100, y: 0, width: 100, height: 50 },
  ];
  expect(cameraOf({ x: 90, y: 0, width: 40, height: 50 }, cells)).toBe(1);
  expect(cameraOf({ x: 10, y: 0, width: 40, height: 50 }, cells)).toBe(0);
});
