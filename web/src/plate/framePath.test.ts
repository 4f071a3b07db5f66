import { describe, expect, it } from 'vitest';
import { FramePath, WHOLE_PICTURE } from './framePath';

const path = new FramePath([0, 50, 1, 1, 10, 0, 304, 540, 50, 2, 0, 2, 400, 0, 304, 540, 402, 1, 304, 540]);

describe('the path of the frame', () => {
  it('says what every frame shows', () => {
    expect(path.segments.map((s) => [s.clipFrame, s.count, s.person])).toEqual([
      [0, 50, 1],
      [50, 2, 0],
    ]);
    expect(path.at(0)).toEqual({ x: 10, y: 0, width: 304, height: 540 });
    expect(path.at(49)?.x).toBe(10);
  });

  it('has a window for each frame that moves', () => {
    expect(path.at(50)?.x).toBe(400);
    expect(path.at(51)).toEqual({ x: 402, y: 1, width: 304, height: 540 });
  });

  it('says nothing of frames beyond it', () => {
    expect(path.at(52)).toBeUndefined();
    expect(path.at(-1)).toBeUndefined();
    expect(WHOLE_PICTURE.at(3)).toBeUndefined();
  });
});
