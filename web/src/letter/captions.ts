import type { ClipState, Cue, TranscriptColumns } from '../api/client';
import { cutFlags } from '../galley/setLines';
import { joined } from '../ui/spacing';

/** The caption that shows at a time of the clip, or the last one before it; -1 before the first. */
export function captionAt(cues: Cue[], us: number): number {
  let from = 0;
  let to = cues.length;
  while (from < to) {
    const middle = (from + to) >> 1;
    if (cues[middle].span.startUs <= us) from = middle + 1;
    else to = middle;
  }
  return from - 1;
}

/** The caption in which a word stands; -1 where it stands in none. */
export const captionOf = (cues: Cue[], wordId: number): number =>
  cues.findIndex((c) => !c.added && c.lines.some((l) => l.some((w) => w.wordId === wordId)));

export const firstWord = (cue: Cue): number => cue.lines[0][0].wordId;

export function lastWord(cue: Cue): number {
  const line = cue.lines[cue.lines.length - 1];
  return line[line.length - 1].wordId;
}

export const textOf = (cue: Cue): string => cue.lines.map((l) => joined(l.map((w) => w.text))).join('\n');

export interface Seen {
  id: number;
  text: string;
}

const MOST_HIDDEN = 60;

/** The words of a caption as they show, with those after them that are heard and not shown. */
export function seenIn(cues: Cue[], at: number, transcript: TranscriptColumns, clip: ClipState): Seen[] {
  const place = new Map(transcript.ids.map((id, i) => [id, i]));
  const shown = new Map(cues[at].lines.flat().map((w) => [w.wordId, w.text]));
  const first = place.get(firstWord(cues[at])) ?? 0;
  const last = place.get(lastWord(cues[at])) ?? first;
  const next = cues.slice(at + 1).find((c) => !c.added);
  const following = next ? (place.get(firstWord(next)) ?? last + 1) : clip.pared.lastWord + 1;
  const end = following > last ? Math.min(following, last + MOST_HIDDEN) : last + 1;
  if (last < first) return cues[at].lines.flat().map((w) => ({ id: w.wordId, text: w.text }));
  const cut = cutFlags(transcript, clip.pared.cut);
  const seen: Seen[] = [];
  for (let i = first; i < end; i++) {
    const text = shown.get(transcript.ids[i]);
    if (text !== undefined || !cut[i]) seen.push({ id: transcript.ids[i], text: text ?? '' });
  }
  return seen;
}

/** The next caption with something wrong, one way or the other; -1 where there is none. */
export function nextFault(cues: Cue[], from: number, by: 1 | -1): number {
  for (let i = from + by; i >= 0 && i < cues.length; i += by) if (cues[i].faults.length) return i;
  return -1;
}
