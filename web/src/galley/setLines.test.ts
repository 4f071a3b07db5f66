import { describe, expect, it } from 'vitest';
import type { TranscriptColumns } from '../api/client';
import { cutFlags, paragraphOf, sentenceOf, setLines, setPieces, wordAt } from './setLines';

const SECOND = 1_000_000;

function talk(words: string[], gaps: Record<number, number> = {}): TranscriptColumns {
  let at = 0;
  const startUs: number[] = [];
  const endUs: number[] = [];
  words.forEach((_, i) => {
    startUs.push(at);
    endUs.push(at + 0.3 * SECOND);
    at += 0.35 * SECOND + (gaps[i] ?? 0) * SECOND;
  });
  return {
    revision: 1,
    undo: null,
    redo: null,
    timed: true,
    ids: [],
    language: 'en',
    speakers: ['A', 'B'],
    text: words,
    startUs,
    endUs,
    speaker: words.map(() => 0),
    confidence: words.map(() => 1),
    paragraphs: [
      { from: 0, to: 4, speaker: 0 },
      { from: 4, to: words.length, speaker: 1 },
    ],
    sentenceEnds: [4, words.length],
  };
}

const measure = (text: string) => text.length * 10;

describe('setLines', () => {
  const t = talk(['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'], { 1: 1.2 });

  it('sets every word once, in order, within the width', () => {
    const rows = setLines(t, 0, 8, 140, 33, measure);
    const lines = rows.filter((r) => r.kind === 'line');
    expect(lines.flatMap((l) => Array.from({ length: l.to - l.from }, (_, k) => l.from + k))).toEqual([
      0, 1, 2, 3, 4, 5, 6, 7,
    ]);
    for (const line of lines) {
      const words = t.text.slice(line.from, line.to).join(' ');
      expect(measure(words) + line.pauses.size * 50).toBeLessThanOrEqual(140);
    }
  });

  it('opens each speaker with a heading and sets long pauses into the text', () => {
    const rows = setLines(t, 0, 8, 400, 33, measure);
    expect(rows.filter((r) => r.kind === 'speaker').map((r) => r.speaker)).toEqual([0, 1]);
    const first = rows.find((r) => r.kind === 'line');
    expect(first?.kind === 'line' && first.pauses.get(1)).toEqual({ startUs: t.endUs[1], endUs: t.startUs[2] });
  });

  it('gives a word wider than the column a line of its own', () => {
    expect(
      setLines(talk(['extraordinarily', 'b', 'c', 'd', 'e']), 0, 5, 60, 33, measure).filter((r) => r.kind === 'line'),
    ).toHaveLength(3);
  });

  it('lets lines follow one another without gap in time inside a speaker', () => {
    const lines = setLines(t, 0, 4, 90, 33, measure).filter((r) => r.kind === 'line');
    for (let i = 1; i < lines.length; i++) expect(lines[i].startUs).toBe(lines[i - 1].endUs);
  });
});

describe('words and times', () => {
  const t = talk(['one', 'two', 'three', 'four', 'five']);
  it('finds the word being said', () => {
    expect(wordAt(t.startUs, -1)).toBe(-1);
    expect(wordAt(t.startUs, 0)).toBe(0);
    expect(wordAt(t.startUs, t.startUs[3] + 1)).toBe(3);
    expect(wordAt(t.startUs, 1e12)).toBe(4);
  });
  it('strikes the words whose middle lies in a cut', () => {
    const flags = cutFlags(t, [{ startUs: t.endUs[0] - 10, endUs: t.endUs[2] }]);
    expect([...flags]).toEqual([0, 1, 1, 0, 0]);
  });
});

describe('pieces', () => {
  it('stand in the order in which they play, with a seam between two', () => {
    const t = talk(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']);
    const rows = setPieces(
      t,
      [
        { from: 4, to: 6 },
        { from: 0, to: 2 },
      ],
      400,
      30,
      (text) => text.length * 10,
    );
    const seen = rows.map((r) =>
      r.kind === 'line' ? `${r.from}-${r.to}` : r.kind === 'seam' ? `seam ${r.place} at ${r.startUs}` : r.kind,
    );
    expect(seen.filter((x) => x !== 'speaker')).toEqual(['4-6', `seam 1 at ${t.startUs[0]}`, '0-2']);
  });
});

describe('what a word is part of', () => {
  const t = talk(['One', 'two.', 'Three', 'four.', 'Five', 'six', 'seven', 'eight.']);
  it('is its sentence and its paragraph', () => {
    const parts = { ...t, sentenceEnds: [2, 4, 8] };
    expect([0, 1, 2, 4, 7].map((w) => sentenceOf(parts, w))).toEqual([
      [0, 1],
      [0, 1],
      [2, 3],
      [4, 7],
      [4, 7],
    ]);
    expect(paragraphOf(parts, 3)).toEqual([0, 3]);
    expect(paragraphOf(parts, 5)).toEqual([4, 7]);
  });

  it('leaves room for a gap that was put in', () => {
    const wide = setLines(t, 0, 8, 240, 33, measure).filter((r) => r.kind === 'line');
    const narrow = setLines(t, 0, 8, 240, 33, measure, new Set([0, 1, 2])).filter((r) => r.kind === 'line');
    expect(narrow[0].kind === 'line' && wide[0].kind === 'line' && narrow[0].to < wide[0].to).toBe(true);
  });
});
