import type { CaptionEdit, ClipState, Cue } from '../api/client';
import { firstWord } from './captions';
import type { Place } from './placing';

type Placed = Extract<CaptionEdit, { type: 'placed' }>;

const placed = (clip: ClipState): Map<number, Place> =>
  new Map(
    (clip.lettered.edits[''] ?? []).filter((e): e is Placed => e.type === 'placed').map((e) => [e.wordId, e.place]),
  );

const placeAt = (places: Map<number, Place>, cue?: Cue): Place | null =>
  cue?.lines.flat().reduce<Place | null>((found, w) => found ?? places.get(w.wordId) ?? null, null) ?? null;

/**
 * Where a caption stands by itself, and the captions before and after it that stand there too, by their first words;
 * null where it stands with the others.
 */
export function ownPlace(clip: ClipState, cues: Cue[], at: number): { place: Place; words: number[] } | null {
  const places = placed(clip);
  const place = placeAt(places, cues[at]);
  if (!place) return null;
  const alike = (cue?: Cue) => {
    const other = placeAt(places, cue);
    return other !== null && other.x === place.x && other.y === place.y;
  };
  let from = at;
  while (alike(cues[from - 1])) from--;
  let to = at + 1;
  while (alike(cues[to])) to++;
  return { place, words: cues.slice(from, to).map(firstWord) };
}

/** Captions that stand somewhere by themselves. */
export const placedAt = (words: number[], place: Place): CaptionEdit[] =>
  words.map((wordId) => ({ type: 'placed', wordId, place }));
