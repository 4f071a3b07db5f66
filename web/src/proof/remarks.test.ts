import { describe, expect, it } from 'vitest';
import type { Remark, TranscriptColumns } from '../api/client';
import { nextRemarked, openWords, remarkedWord } from './remarks';

const transcript = { startUs: [0, 400_000, 900_000] } as TranscriptColumns;
const remark = (sourceUs: number, more: Partial<Remark> = {}) =>
  ({ sourceUs, answers: null, doneAt: null, ...more }) as Remark;

describe('remarks', () => {
  it('stay with the word that they are pinned to', () => {
    expect(remarkedWord(remark(400_000), transcript)).toBe(1);
    expect(remarkedWord(remark(700_000), transcript)).toBe(1);
  });

  it('are walked round while they are open; answers and what is done are not', () => {
    const all = [remark(900_000), remark(0), remark(0, { answers: 1 }), remark(400_000, { doneAt: 'then' })];
    const words = openWords(all, transcript);
    expect(words).toEqual([0, 2]);
    expect(nextRemarked(words, 0, 1)).toBe(2);
    expect(nextRemarked(words, 2, 1)).toBe(0);
    expect(nextRemarked(words, 0, -1)).toBe(2);
    expect(nextRemarked([], 0, 1)).toBeNull();
  });
});
