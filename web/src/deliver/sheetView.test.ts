import { describe, expect, it } from 'vitest';
import type { Cell } from '../api/client';
import { arranged, needsHand, ticked, type Line } from './sheetView';

const cell = (over: Partial<Cell> = {}): Cell => ({
  spec: 'wide',
  asked: true,
  passes: true,
  checks: [],
  renderingId: null,
  state: null,
  current: false,
  progress: 0,
  secondsLeft: null,
  bytes: 0,
  fileName: 'a.mp4',
  measured: [],
  right: true,
  problem: null,
  ...over,
});
const done = { state: 'DONE', current: true } as const;

const line = (clipId: number, title: string, seconds: number, ...cells: Cell[]): Line => ({
  episodeId: 1,
  show: 'Slack Water',
  episode: 'The talk',
  clipId,
  title,
  lengthUs: seconds * 1e6,
  originalUs: seconds * 1e6,
  revision: 1,
  cells,
});

const lines = [
  line(1, 'Clip 10', 20, cell(done)),
  line(2, 'Clip 9', 40, cell({ passes: false })),
  line(3, 'bell', 30, cell(), cell(done)),
  line(4, 'Ash', 10, cell({ ...done, right: false })),
];
const ids = (shown: Line[]) => shown.map((l) => l.clipId);

describe('clips of the sheet', () => {
  it('are shown as they stand', () => {
    expect(ids(arranged(lines, 'all', 'made'))).toEqual([1, 2, 3, 4]);
    expect(ids(arranged(lines, 'hand', 'made'))).toEqual([2, 4]);
    expect(ids(arranged(lines, 'open', 'made'))).toEqual([2, 3, 4]);
    expect(ids(arranged(lines, 'ready', 'made'))).toEqual([1]);
  });

  it('are put in order, numbers in titles by their value', () => {
    expect(ids(arranged(lines, 'all', 'title'))).toEqual([4, 3, 2, 1]);
    expect(ids(arranged(lines, 'all', 'longest'))).toEqual([2, 3, 1, 4]);
    expect(ids(arranged(lines, 'all', 'hand'))).toEqual([2, 4, 1, 3]);
  });

  it('that are not asked for need nobody', () => {
    expect(needsHand(cell({ asked: false, passes: false }))).toBe(false);
    expect(needsHand(cell({ state: 'FAILED' }))).toBe(true);
    expect(needsHand(cell({ ...done, right: false, current: false }))).toBe(false);
  });

  it('are ticked whole, in part or not at all', () => {
    expect(ticked([cell(), cell()])).toBe('all');
    expect(ticked([cell(), cell({ asked: false })])).toBe('some');
    expect(ticked([])).toBe('none');
  });
});
