import type { TranscriptColumns } from '../api/client';
import { isSpaced } from '../ui/spacing';

/** A pause long enough to be set into the text. */
export interface PausePiece {
  startUs: number;
  endUs: number;
}

/** One row of the galley. */
export type Row =
  | { kind: 'speaker'; speaker: number; height: number }
  | { kind: 'loupe'; height: number }
  /** Between two stretches that a clip is put together from; the place of the one that follows. */
  | { kind: 'seam'; place: number; startUs: number; height: number }
  | {
      kind: 'line';
      from: number;
      to: number;
      startUs: number;
      endUs: number;
      /** When the line before begins. */
      beforeUs: number;
      speaker: number;
      /** The pause after a word, by word index. */
      pauses: Map<number, PausePiece>;
      height: number;
    };

const SPEAKER_HEIGHT = 30;
const PAUSE_WIDTH = 40;
const GAP_WIDTH = 44;
const NONE: ReadonlySet<number> = new Set();
/** A gap between words from which on it is set into the text as a pause. */
export const SHORTEST_PAUSE_US = 400_000;

export type Measure = (text: string) => number;

/** Measures text as the galley sets it; widths of words seen before are kept. */
export function canvasMeasure(font: string): Measure {
  const context = document.createElement('canvas').getContext('2d')!;
  context.font = font;
  const known = new Map<string, number>();
  return (text) => {
    let width = known.get(text);
    if (width === undefined) {
      width = context.measureText(text).width;
      known.set(text, width);
    }
    return width;
  };
}

/**
 * Sets words into lines of a width, as a compositor would, so that every line's stretch of sound is
 * known before anything is drawn.
 *
 * @param gaps words after which room tone was put in, by index
 */
export function setLines(
  t: TranscriptColumns,
  from: number,
  to: number,
  width: number,
  lineHeight: number,
  measure: Measure,
  gaps: ReadonlySet<number> = NONE,
): Row[] {
  const rows: Row[] = [];
  const blank = measure(' ');
  let speaker = -2;
  let lastStartUs = 0;
  for (const paragraph of t.paragraphs) {
    const first = Math.max(from, paragraph.from);
    const end = Math.min(to, paragraph.to);
    if (first >= end) continue;
    if (paragraph.speaker !== speaker) {
      rows.push({ kind: 'speaker', speaker: paragraph.speaker, height: SPEAKER_HEIGHT });
      speaker = paragraph.speaker;
    }
    let lineFrom = first;
    let used = 0;
    let pauses = new Map<number, PausePiece>();
    const close = (next: number) => {
      rows.push({
        kind: 'line',
        from: lineFrom,
        to: next,
        startUs: t.startUs[lineFrom],
        endUs: next < t.startUs.length ? Math.max(t.endUs[next - 1], t.startUs[next]) : t.endUs[next - 1] + 500_000,
        speaker: paragraph.speaker,
        beforeUs: lastStartUs,
        pauses,
        height: lineHeight,
      });
      lastStartUs = t.startUs[lineFrom];
      lineFrom = next;
      used = 0;
      pauses = new Map();
    };
    for (let i = first; i < end; i++) {
      const gap = i + 1 < t.startUs.length ? t.startUs[i + 1] - t.endUs[i] : 0;
      const paused = gap >= SHORTEST_PAUSE_US;
      const needed = measure(t.text[i]) + (paused ? PAUSE_WIDTH + blank : 0) + (gaps.has(i) ? GAP_WIDTH + blank : 0);
      const before = used > 0 && isSpaced(t.text[i - 1], t.text[i]) ? blank : 0;
      if (used > 0 && used + before + needed > width) close(i);
      used += (used > 0 ? before : 0) + needed;
      if (paused) pauses.set(i, { startUs: t.endUs[i], endUs: t.startUs[i + 1] });
    }
    close(end);
  }
  return rows;
}

const SEAM_HEIGHT = 26;

/** Sets pieces of a transcript in the order in which they play, a seam between two of them. */
export function setPieces(
  t: TranscriptColumns,
  pieces: { from: number; to: number }[],
  width: number,
  lineHeight: number,
  measure: Measure,
  gaps: ReadonlySet<number> = NONE,
): Row[] {
  return pieces.flatMap((piece, place): Row[] => [
    ...(place ? [{ kind: 'seam' as const, place, startUs: t.startUs[piece.from] ?? 0, height: SEAM_HEIGHT }] : []),
    ...setLines(t, piece.from, piece.to, width, lineHeight, measure, gaps),
  ]);
}

/** Index of the word being said at a time; -1 before the first. */
export function wordAt(startUs: number[], us: number): number {
  let low = 0;
  let high = startUs.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (startUs[middle] <= us) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** The sentence that a word is in: its first and last word. */
export function sentenceOf(t: TranscriptColumns, word: number): [number, number] {
  const before = wordAt(t.sentenceEnds, word);
  return [before >= 0 ? t.sentenceEnds[before] : 0, (t.sentenceEnds[before + 1] ?? t.text.length) - 1];
}

/** The paragraph that a word is in: its first and last word. */
export function paragraphOf(t: TranscriptColumns, word: number): [number, number] {
  const found = t.paragraphs.find((p) => word >= p.from && word < p.to);
  return found ? [found.from, found.to - 1] : [word, word];
}

/** Which words lie mostly in the cut spans. */
export function cutFlags(t: TranscriptColumns, cut: { startUs: number; endUs: number }[]): Uint8Array {
  const flags = new Uint8Array(t.text.length);
  for (const span of cut) {
    let i = Math.max(0, wordAt(t.startUs, span.startUs));
    for (; i < flags.length && t.startUs[i] < span.endUs; i++) {
      const middle = (t.startUs[i] + t.endUs[i]) / 2;
      if (middle >= span.startUs && middle < span.endUs) flags[i] = 1;
    }
  }
  return flags;
}
