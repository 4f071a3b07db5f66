import { toEpisode, toProgramme, type Programme } from './programme';

/** What is heard of a programme. */
export interface Range {
  fromUs: number;
  toUs: number;
  /** Over and over. */
  loop: boolean;
}

/** A range of one state of a clip in another; null where nothing of it plays any more. */
export function carriedOver(range: Range, before: Programme, after: Programme): Range | null {
  const fromUs = toProgramme(after, toEpisode(before, range.fromUs));
  const toUs = toProgramme(after, toEpisode(before, range.toUs - 1) + 1);
  return toUs > fromUs ? { ...range, fromUs, toUs } : null;
}

/** Whether two programmes play the same from a time of each on. */
export function goOnAlike(a: Programme, aUs: number, b: Programme, bUs: number): boolean {
  if (a.joined || b.joined || a.rate !== b.rate) return false;
  if (Math.abs(toEpisode(a, aUs) - toEpisode(b, bUs)) > 1_000) return false;
  if (Math.abs(a.lengthUs - aUs - (b.lengthUs - bUs)) > 1_000) return false;
  const left = a.playsAt.filter((at) => at > aUs).length;
  if (left !== b.playsAt.filter((at) => at > bUs).length) return false;
  for (let k = 1; k <= left + 1; k++) {
    const x = a.spans[a.spans.length - k];
    const y = b.spans[b.spans.length - k];
    if (!x || !y || x.endUs !== y.endUs || (k <= left && x.startUs !== y.startUs)) return false;
  }
  return true;
}
