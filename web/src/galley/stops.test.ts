import { describe, expect, it } from 'vitest';
import type { ClipState, TranscriptColumns } from '../api/client';
import { nextStop, type Stop } from './stops';

const SECOND = 1_000_000;
const START = [0, 1, 3, 4].map((s) => s * SECOND);
/** Four words; between the second and the third a pause of 1.3 s. */
const t = {
  text: ['the', 'ice', 'came', 'up'],
  startUs: START,
  endUs: START.map((us) => us + 0.7 * SECOND),
} as unknown as TranscriptColumns;

const clip = (cut: [number, number][] = [], gaps: { id: number; word: number }[] = []) =>
  ({
    pared: { cut: cut.map(([from, to]) => ({ startUs: from * SECOND, endUs: to * SECOND })), gaps },
  }) as unknown as ClipState;
const short = (s: Stop) =>
  s.kind === 'gap' ? `gap ${s.id}` : s.kind === 'pause' ? `pause after ${t.text[s.word]}` : t.text[s.word];

function walk(of: ClipState | null, showStruck: boolean, by: 1 | -1): string[] {
  const passed: string[] = [];
  let at: Stop | null = { kind: 'word', word: by > 0 ? 0 : 3 };
  while (at) {
    passed.push(short(at));
    at = nextStop(t, of, showStruck, at, by);
  }
  return passed;
}

describe('steps of the keyboard', () => {
  it('stand on pauses like on words, both ways', () => {
    expect(walk(clip(), true, 1)).toEqual(['the', 'ice', 'pause after ice', 'came', 'up']);
    expect(walk(clip(), true, -1)).toEqual(['up', 'came', 'pause after ice', 'ice', 'the']);
  });

  it('stand on gaps where they were put in', () => {
    const withGaps = clip(
      [],
      [
        { id: 7, word: 1 },
        { id: 9, word: 3 },
      ],
    );
    expect(walk(withGaps, true, 1)).toEqual(['the', 'ice', 'gap 7', 'pause after ice', 'came', 'up', 'gap 9']);
    expect(walk(withGaps, true, -1)).toEqual(['up', 'came', 'pause after ice', 'gap 7', 'ice', 'the']);
  });

  it('go by words alone where no clip is open', () => {
    expect(walk(null, true, 1)).toEqual(['the', 'ice', 'came', 'up']);
  });

  it('pass over what was pared when that is hidden, and stand on it when it is shown', () => {
    const pared = clip([[0.9, 2.9]]);
    expect(walk(pared, false, 1)).toEqual(['the', 'came', 'up']);
    expect(walk(pared, true, 1)).toEqual(['the', 'ice', 'pause after ice', 'came', 'up']);
  });

  it('still stand on a pause of which some was left', () => {
    expect(walk(clip([[1.8, 2.3]]), false, 1)).toContain('pause after ice');
  });

  it('end at the last word that shows', () => {
    expect(nextStop(t, clip([[3.9, 4.7]]), false, { kind: 'word', word: 2 }, 1)).toBeNull();
  });
});
