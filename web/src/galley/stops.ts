import type { ClipState, Removal, TranscriptColumns } from '../api/client';
import { cutFlags, SHORTEST_PAUSE_US } from './setLines';

/** What a step of the keyboard can stand on: a word, room tone put in after it, or the pause after it. */
export type Stop =
  { kind: 'word'; word: number } | { kind: 'gap'; word: number; id: number } | { kind: 'pause'; word: number };

/**
 * The stop before (-1) or after (1) another; null at the ends. Pauses and gaps are stood on like words where
 * a clip is open; what was pared and is hidden is passed over.
 */
export function nextStop(
  t: TranscriptColumns,
  clip: ClipState | null,
  showStruck: boolean,
  from: Stop,
  by: 1 | -1,
): Stop | null {
  const flags = clip && !showStruck ? cutFlags(t, clip.pared.cut) : null;
  const isShown = (stop: Stop) =>
    !flags || stop.kind === 'gap' || (stop.kind === 'word' ? flags[stop.word] === 0 : !isPared(t, clip!, stop.word));
  let word = from.word;
  let stops = stopsOf(t, clip, word);
  let at = stops.findIndex(
    (s) => s.kind === from.kind && (s.kind !== 'gap' || from.kind !== 'gap' || s.id === from.id),
  );
  for (;;) {
    at += by;
    if (at < 0 || at >= stops.length) {
      word += by;
      if (word < 0 || word >= t.text.length) return null;
      stops = stopsOf(t, clip, word);
      at = by > 0 ? 0 : stops.length - 1;
    }
    if (isShown(stops[at])) return stops[at];
  }
}

/** A word and what stands after it, in the order in which the line has them. */
function stopsOf(t: TranscriptColumns, clip: ClipState | null, word: number): Stop[] {
  const stops: Stop[] = [{ kind: 'word', word }];
  if (!clip) return stops;
  for (const gap of clip.pared.gaps) if (gap.word === word) stops.push({ kind: 'gap', word, id: gap.id });
  if ((t.startUs[word + 1] ?? 0) - t.endUs[word] >= SHORTEST_PAUSE_US) stops.push({ kind: 'pause', word });
  return stops;
}

/** What was taken out of the pause after a word, or reaches into it. */
export function removalsIn(t: TranscriptColumns, clip: ClipState, word: number): Removal[] {
  const endUs = t.startUs[word + 1] ?? t.endUs[word];
  return clip.pared.removals.filter((r) => r.span.startUs < endUs && r.span.endUs > t.endUs[word]);
}

/** Whether more than half of the pause after a word was taken out. */
export function isPared(t: TranscriptColumns, clip: ClipState, word: number): boolean {
  const startUs = t.endUs[word];
  const endUs = t.startUs[word + 1];
  return clip.pared.cut.some((c) => Math.min(c.endUs, endUs) - Math.max(c.startUs, startUs) > (endUs - startUs) / 2);
}
