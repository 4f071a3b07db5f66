import type { CaptionEdit, ClipState, TranscriptColumns } from '../api/client';
import { assertNever } from '../ui/assertNever';

/** What was set of captions at a word that is not heard in the clip now. */
export interface WaitingEdits {
  wordId: number;
  /** The word; null where a correction took it away. */
  said: string | null;
  edits: CaptionEdit[];
}

/** Edits that wait for their words to be put back, in the order in which they were made. */
export function waitingEdits(clip: ClipState, transcript: TranscriptColumns): WaitingEdits[] {
  const all = clip.lettered.edits[''] ?? [];
  if (!all.length) return [];
  const places = new Map(transcript.ids.map((id, i) => [id, i]));
  const waiting = new Map<number, WaitingEdits>();
  for (const edit of all) {
    const place = places.get(edit.wordId);
    if (place !== undefined && isHeard(clip, transcript, place)) continue;
    const said = place === undefined ? null : transcript.text[place];
    const known = waiting.get(edit.wordId) ?? { wordId: edit.wordId, said, edits: [] };
    known.edits.push(edit);
    waiting.set(edit.wordId, known);
  }
  return [...waiting.values()];
}

function isHeard(clip: ClipState, transcript: TranscriptColumns, place: number): boolean {
  const middle = (transcript.startUs[place] + transcript.endUs[place]) / 2;
  return clip.pared.kept.some((k) => middle >= k.startUs && middle < k.endUs);
}

/** What an edit did, in a word or two. */
export function editName(edit: CaptionEdit): string {
  switch (edit.type) {
    case 'breakBefore':
      return 'a caption begins';
    case 'goOnWith':
      return 'no caption begins';
    case 'breakAfter':
      return 'a caption ends';
    case 'lineBefore':
      return 'a line begins';
    case 'bindToLast':
      return 'on the line of the word before';
    case 'showAs':
      return edit.text ? `reads “${edit.text}”` : 'not shown';
    case 'begin':
    case 'end':
      return 'its time';
    case 'added':
      return `“${edit.text}” after it`;
    case 'styled':
      return 'a look of its own';
    case 'key':
      return 'stands out';
    case 'placed':
      return 'a place of its own';
    default:
      return assertNever(edit);
  }
}
