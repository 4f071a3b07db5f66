import type { Preview, Span } from '../api/client';

/** What the player plays: kept spans for the sound, runs of frames for the picture. */
export interface Programme {
  spans: Span[];
  runs: { clipFrame: number; episodeFrame: number; count: number }[];
  windows: Preview['windows'];
  rate: number;
  lengthUs: number;
}

export function wholeEpisode(durationUs: number, rate: number): Programme {
  return {
    spans: [{ startUs: 0, endUs: durationUs }],
    runs: [{ clipFrame: 0, episodeFrame: 0, count: Math.floor((durationUs / 1e6) * rate) }],
    windows: [],
    rate,
    lengthUs: durationUs,
  };
}

/** One stretch of the episode by itself. */
export function oneStretch(startUs: number, endUs: number, rate: number): Programme {
  const first = Math.round((startUs / 1e6) * rate);
  const count = Math.max(1, Math.round(((endUs - startUs) / 1e6) * rate));
  return { spans: [{ startUs, endUs }], runs: [{ clipFrame: 0, episodeFrame: first, count }], windows: [], rate, lengthUs: endUs - startUs };
}

export function clipProgramme(kept: Span[], preview: Preview): Programme {
  return {
    spans: kept,
    runs: preview.runs,
    windows: preview.windows,
    rate: preview.frameRateNumerator / preview.frameRateDenominator,
    lengthUs: kept.reduce((sum, s) => sum + s.endUs - s.startUs, 0),
  };
}

/** The episode time heard at a time of the programme. */
export function toEpisode(p: Programme, us: number): number {
  let left = Math.max(0, us);
  for (const span of p.spans) {
    const length = span.endUs - span.startUs;
    if (left < length) return span.startUs + left;
    left -= length;
  }
  return p.spans.length ? p.spans[p.spans.length - 1].endUs : 0;
}

/** Where an episode time plays; the next kept moment when it was cut. */
export function toProgramme(p: Programme, episodeUs: number): number {
  let played = 0;
  let next = Infinity;
  for (const span of p.spans) {
    if (episodeUs >= span.startUs && episodeUs < span.endUs) return played + episodeUs - span.startUs;
    if (span.startUs >= episodeUs) next = Math.min(next, played);
    played += span.endUs - span.startUs;
  }
  return next === Infinity ? played : next;
}

/** A stretch of sound to be scheduled as one buffer. */
export interface SoundPiece {
  startUs: number;
  endUs: number;
  atUs: number;
  fadeIn: boolean;
  fadeOut: boolean;
}

/** The longest piece that is decoded at once. */
export const LONGEST_PIECE_US = 8_000_000;

/** Cuts the spans into pieces short enough to decode, from a time of the programme on. */
export function* soundPieces(p: Programme, fromUs: number, longestUs = LONGEST_PIECE_US): Generator<SoundPiece> {
  let played = 0;
  for (let i = 0; i < p.spans.length; i++) {
    const span = p.spans[i];
    const length = span.endUs - span.startUs;
    let at = Math.max(0, fromUs - played);
    while (at < length) {
      const end = Math.min(length, at + longestUs);
      yield {
        startUs: span.startUs + at,
        endUs: span.startUs + end,
        atUs: played + at,
        fadeIn: at === 0 && i > 0,
        fadeOut: end === length && i + 1 < p.spans.length,
      };
      at = end;
    }
    played += length;
  }
}
