import { describe, expect, it } from 'vitest';
import { stretchesOf } from './Mattes';

const run = (episodeFrame: number, count: number, held = false) => ({ clipFrame: 0, episodeFrame, count, held });

describe('stretches of mattes', () => {
  it('are those that something is seen of, in the order it is seen', () => {
    expect(stretchesOf({ rate: 25, runs: [run(120, 60), run(10, 39), run(10, 41)] })).toEqual([2, 3, 0, 1]);
  });

  it('are one for a picture that is held, however long', () => {
    expect(stretchesOf({ rate: 25, runs: [run(49, 500, true)] })).toEqual([0]);
  });

  it('are as long as the server makes them at broken frame rates', () => {
    expect(stretchesOf({ rate: 30000 / 1001, runs: [run(59, 1), run(60, 1)] })).toEqual([0, 1]);
  });
});
