import { describe, expect, it } from 'vitest';
import { FramePath, moves, WHOLE_PICTURE } from './framePath';

const WHOLE = [0, 0, 1, 1];
const held = [0, 50, 1, 0, 1, 1, ...WHOLE, 1, 10, 0, 304, 540];
const moving = [50, 2, 1, 7, 1, 0, ...WHOLE, 2, 400, 0, 304, 540, 402, 1, 304, 540];
const two = [52, 10, 0, 0, 2, 0, 0, 0, 1, 0.5, 1, 1, 2, 3, 4, 1, 0, 0.5, 1, 0.5, 1, 5, 6, 7, 8];
const path = new FramePath([...held, ...moving, ...two]);

describe('the path of the frame', () => {
  it('says what every frame shows', () => {
    expect(path.segments.map((s) => [s.clipFrame, s.count, s.panes[0].person, s.setBy])).toEqual([
      [0, 50, 1, 0],
      [50, 2, 0, 7],
      [52, 10, 0, 0],
    ]);
    expect(path.at(0)).toEqual({ x: 10, y: 0, width: 304, height: 540 });
    expect(path.at(49)?.x).toBe(10);
  });

  it('has a window for each frame that moves', () => {
    expect(path.at(50)?.x).toBe(400);
    expect(path.at(51)).toEqual({ x: 402, y: 1, width: 304, height: 540 });
    expect(path.segments.map(moves)).toEqual([false, true, false]);
  });

  it('has panes with places of their own, and a ground', () => {
    const shown = path.segmentAt(55);
    expect(shown?.ground).toBe('SOFT');
    expect(shown?.panes.map((p) => p.place.y)).toEqual([0, 0.5]);
    expect(shown?.panes[1].windows).toEqual([{ x: 5, y: 6, width: 7, height: 8 }]);
  });

  it('says nothing of frames beyond it', () => {
    expect(path.at(62)).toBeUndefined();
    expect(path.at(-1)).toBeUndefined();
    expect(WHOLE_PICTURE.at(3)).toBeUndefined();
  });
});
