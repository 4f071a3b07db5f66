import type { CaptionEdit, ClipState, Cue, TranscriptColumns } from '../api/client';
import type { ClipChanges } from '../workbench/changes';
import { firstWord, lastWord, seenIn } from './captions';

/** What captions are edited on. */
export interface CaptionDesk {
  changes: ClipChanges;
  clip: ClipState;
  cues: Cue[];
  transcript: TranscriptColumns;
  frameUs: number;
}

/** Room that a caption takes more when it lingers. */
const LINGER_US = 400_000;

/** Shortest stretch in which a caption can be added. */
export const ROOM_US = 500_000;

const ADDED_US = 1_500_000;

const edit = (desk: CaptionDesk, ...edits: CaptionEdit[]) => void desk.changes.change({ type: 'editCaptions', edits });

const isSet = ({ clip }: CaptionDesk, id: number, type: CaptionEdit['type']) =>
  (clip.lettered.edits[''] ?? []).some((e) => e.wordId === id && e.type === type);

/** Lets a caption begin at a word, or the one before go on with it. */
export function toggleCaption(desk: CaptionDesk, id: number) {
  const begins = desk.cues.some((c) => !c.added && firstWord(c) === id);
  if (isSet(desk, id, 'breakBefore') || isSet(desk, id, 'goOnWith'))
    void desk.changes.change({ type: 'letCaptionsBe', words: [id], about: ['CAPTION'] });
  else edit(desk, { type: begins ? 'goOnWith' : 'breakBefore', wordId: id });
}

/** Lets a line begin at a word, or the word stay on the line of the one before. */
export function toggleLine(desk: CaptionDesk, id: number) {
  const begins = desk.cues.some((c) => c.lines.slice(1).some((l) => l[0].wordId === id));
  if (isSet(desk, id, 'lineBefore') || isSet(desk, id, 'bindToLast'))
    void desk.changes.change({ type: 'letCaptionsBe', words: [id], about: ['LINE'] });
  else edit(desk, { type: begins ? 'bindToLast' : 'lineBefore', wordId: id });
}

/** Lets words stand out, or no more. */
export function toggleKey(desk: CaptionDesk, ids: number[]) {
  if (ids.every((id) => isSet(desk, id, 'key')))
    void desk.changes.change({ type: 'letCaptionsBe', words: ids, about: ['KEY'] });
  else edit(desk, ...ids.map((wordId): CaptionEdit => ({ type: 'key', wordId })));
}

type WordStyle = Extract<CaptionEdit, { type: 'styled' }>['style'];

const PLAIN: WordStyle = { colour: null, scale: 1, italic: false };

/** How words differ from the others, as the first of them does. */
export function styleOf({ clip }: CaptionDesk, ids: number[]): WordStyle {
  const set = (clip.lettered.edits[''] ?? []).find((e) => e.type === 'styled' && e.wordId === ids[0]);
  return set?.type === 'styled' ? set.style : PLAIN;
}

/** Lets words look otherwise than the others. */
export function restyleWords(desk: CaptionDesk, ids: number[], part: Partial<WordStyle>) {
  const style = { ...styleOf(desk, ids), ...part };
  if (style.colour === null && style.scale === 1 && !style.italic)
    void desk.changes.change({ type: 'letCaptionsBe', words: ids, about: ['STYLE'] });
  else edit(desk, ...ids.map((wordId): CaptionEdit => ({ type: 'styled', wordId, style })));
}

/** Leaves words out of the captions; the sound keeps them. */
export const leaveOut = (desk: CaptionDesk, ids: number[]) =>
  edit(desk, ...ids.map((wordId): CaptionEdit => ({ type: 'showAs', wordId, text: '' })));

export const joinWithNext = (desk: CaptionDesk, at: number) => {
  const next = desk.cues[at + 1];
  if (next && !next.added) edit(desk, { type: 'goOnWith', wordId: firstWord(next) });
};

/** Lets a caption stand on, as far as there is room. */
export function linger(desk: CaptionDesk, at: number) {
  const cue = desk.cues[at];
  edit(desk, { type: 'end', wordId: lastWord(cue), laterUs: cue.endsLaterUs + LINGER_US });
}

/** Moves one end of a caption. */
export function nudge(desk: CaptionDesk, at: number, end: 'begin' | 'end', byUs: number) {
  const cue = desk.cues[at];
  if (cue.added) return;
  if (end === 'begin') edit(desk, { type: 'begin', wordId: firstWord(cue), laterUs: cue.beginsLaterUs + byUs });
  else edit(desk, { type: 'end', wordId: lastWord(cue), laterUs: cue.endsLaterUs + byUs });
}

/** Sets one end of a caption at a time of the clip. */
export function setEnd(desk: CaptionDesk, at: number, end: 'begin' | 'end', us: number) {
  const { span } = desk.cues[at];
  nudge(desk, at, end, Math.round(us) - (end === 'begin' ? span.startUs : span.endUs));
}

/** Shifts captions by a time. */
export function shift(desk: CaptionDesk, from: number, to: number, laterUs: number) {
  const captions = desk.cues
    .slice(from, to)
    .filter((c) => !c.added)
    .map((c) => ({
      first: firstWord(c),
      last: lastWord(c),
      beginsLaterUs: c.beginsLaterUs,
      endsLaterUs: c.endsLaterUs,
    }));
  if (captions.length) void desk.changes.change({ type: 'shiftCaptions', captions, laterUs });
}

/** Room after a caption in which another one could stand, microseconds. */
export function roomAfter({ cues, clip }: CaptionDesk, at: number): number {
  const end = at < 0 ? 0 : cues[at].span.endUs;
  return (cues[at + 1]?.span.startUs ?? clip.pared.lengthUs) - end;
}

export function addAfter(desk: CaptionDesk, at: number, text: string) {
  const cue = desk.cues[at];
  const laterUs = Math.max(0, cue.endsLaterUs);
  const lengthUs = Math.min(ADDED_US, roomAfter(desk, at));
  edit(desk, { type: 'added', wordId: lastWord(cue), laterUs, lengthUs, text });
}

/** Lets a caption read as it is typed. */
export function retype(desk: CaptionDesk, at: number, text: string) {
  const cue = desk.cues[at];
  if (cue.added) {
    const was = (desk.clip.lettered.edits[''] ?? []).find((e) => e.type === 'added' && e.wordId === lastWord(cue));
    if (was?.type !== 'added') return;
    if (text.trim()) edit(desk, { ...was, text: text.trim() });
    else void desk.changes.change({ type: 'letCaptionsBe', words: [was.wordId], about: ['ADDED'] });
    return;
  }
  void desk.changes.change({ type: 'retype', words: seenIn(desk.cues, at, desk.transcript, desk.clip), text });
}

/** Lets words stay on one line, or no more. */
export function toggleBound(desk: CaptionDesk, ids: number[]) {
  const after = ids.slice(1);
  if (after.every((id) => isSet(desk, id, 'bindToLast')))
    void desk.changes.change({ type: 'letCaptionsBe', words: after, about: ['LINE'] });
  else edit(desk, ...after.map((wordId): CaptionEdit => ({ type: 'bindToLast', wordId })));
}

/** Takes back all that was set of a caption. */
export function asProposed(desk: CaptionDesk, at: number) {
  const cue = desk.cues[at];
  const words = cue.added ? [lastWord(cue)] : seenIn(desk.cues, at, desk.transcript, desk.clip).map((seen) => seen.id);
  void desk.changes.change({ type: 'letCaptionsBe', words, about: cue.added ? ['ADDED'] : null });
}
