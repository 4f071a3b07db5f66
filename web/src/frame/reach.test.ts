import { describe, expect, it } from 'vitest';
import type { ClipState } from '../api/client';
import { FramePath } from '../plate/framePath';
import type { Programme } from '../plate/programme';
import { extentOf, spanOf, type Standing } from './reach';

const WINDOW = [0, 0, 1, 1, 1, 0, 0, 304, 540];
const path = new FramePath([...[0, 50, 1, 0, 1, 0], ...WINDOW, ...[50, 25, 1, 0, 1, 1], ...WINDOW]);
const clip = { pared: { stretches: [{ startUs: 1_013_000, endUs: 9_000_000 }] } } as unknown as ClipState;
const programme = {
  rate: 25,
  runs: [
    { clipFrame: 0, episodeFrame: 25, count: 40, held: false },
    { clipFrame: 40, episodeFrame: 100, count: 35, held: false },
  ],
} as unknown as Programme;
const standing = (segment: number, several: Standing['several']) =>
  ({ clip, programme, path, segment: path.segments[segment], several, selected: several, atUs: 0 }) as Standing;

describe('how far something reaches', () => {
  it('takes in every picture of a stretch and none of the next', () => {
    expect(spanOf(standing(0, null))).toEqual({ startUs: 1_000_000, endUs: 110 * 40_000 });
    expect(spanOf(standing(1, null))).toEqual({ startUs: 110 * 40_000, endUs: 135 * 40_000 });
  });

  it('is the selected words where there are several, and the stretch where there is one', () => {
    const words = { startUs: 2_000_000, endUs: 3_000_000 };
    expect(extentOf('stretch', standing(0, words))).toEqual({ type: 'stretch', span: words });
    expect(extentOf('stretch', { ...standing(0, null), selected: words })).toEqual({
      type: 'stretch',
      span: spanOf(standing(0, null)),
    });
  });
});
