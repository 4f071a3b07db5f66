import type { GuestClip, GuestRemark } from './guestApi';

/** A remark stands at most so many words after its own, where no sentence ends before. */
const FARTHEST = 14;

const ENDS = /[.!?…。！？؟।]["”»’']?$/;

/** The word that is heard at a time, or the last before it. */
function wordAt(words: GuestClip['words'], us: number): number {
  return Math.max(
    0,
    words.findLastIndex((w) => w.fromUs <= us),
  );
}

/** The last word of the sentence, or of what somebody says. */
function endAfter(words: GuestClip['words'], word: number): number {
  for (let i = word; i < words.length - 1; i++) {
    if (ENDS.test(words[i].text) || words[i + 1].speaker !== words[i].speaker || i - word >= FARTHEST) return i;
  }
  return words.length - 1;
}

/** The remarks, without their answers, by the word after which each stands; by -1 where no word is left. */
export function placed(words: GuestClip['words'], remarks: GuestRemark[]): Map<number, GuestRemark[]> {
  const places = new Map<number, GuestRemark[]>();
  for (const remark of remarks.filter((r) => r.answers === null)) {
    const place = endAfter(words, wordAt(words, remark.fileUs));
    places.set(place, [...(places.get(place) ?? []), remark]);
  }
  return places;
}
