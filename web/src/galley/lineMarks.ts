import type { Cue } from '../api/client';
import { ordered, type Selection } from '../workbench/store';

/** The part of a range of words that lies in a line; the same for all lines that it does not touch, so that these stay as they are. */
export function within<N extends string>(row: { from: number; to: number }, name: N, from: number, to: number) {
  const touches = from < row.to && to >= row.from;
  return {
    [`${name}From`]: touches ? Math.max(from, row.from) : -1,
    [`${name}To`]: touches ? Math.min(to, row.to - 1) : -2,
  } as Record<`${N}From` | `${N}To`, number>;
}

/** Words struck of which the server has not answered yet are gone as well. */
export function withStruck(cut: Uint8Array, striking: Selection[]): Uint8Array {
  if (!striking.length) return cut;
  const flags = cut.slice();
  for (const strike of striking) {
    const [first, last] = ordered(strike);
    flags.fill(1, first, last + 1);
  }
  return flags;
}

export function hitMarks(hits: { from: number; to: number }[], words: number): Uint8Array {
  const marks = new Uint8Array(words);
  hits.forEach((h) => marks.fill(1, h.from, h.to));
  return marks;
}

export function wordMarks(at: number[], words: number): Uint8Array {
  const marks = new Uint8Array(words);
  at.forEach((word) => (marks[word] = 1));
  return marks;
}

/** Where the captions break: 1 at the end of a line, 2 at the end of a caption, by word. */
export function captionBreaks(cues: Cue[], ids: number[]): Uint8Array {
  const breaks = new Uint8Array(ids.length);
  const place = new Map(ids.map((id, i) => [id, i]));
  for (const cue of cues) {
    for (const line of cue.lines) breaks[place.get(line[line.length - 1].wordId) ?? -1] = 1;
    const last = cue.lines[cue.lines.length - 1];
    breaks[place.get(last[last.length - 1].wordId) ?? -1] = 2;
  }
  return breaks;
}
