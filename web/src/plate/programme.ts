import type { ClipState, Preview, Span } from '../api/client';
import { FramePath, WHOLE_PICTURE } from './framePath';
import { lastAtOrBefore } from './sorted';

/** What the player plays: kept spans for the sound, runs of frames for the picture. */
export interface Programme {
  spans: Span[];
  /** Where each span begins on the programme's own clock. */
  playsAt: number[];
  runs: Preview['runs'];
  /** What every frame shows. */
  path: FramePath;
  /** Stretches of the episode in which room tone is heard instead. */
  silenced: Span[];
  rate: number;
  lengthUs: number;
  /** Set where the sound is more than the recording cut; the server joins it then, as for the export. */
  joined: { clipId: number; revision: number; asRecorded: boolean } | null;
}

/** Room tone after a span; -1 is before the first. */
export interface ProgrammeGap {
  after: number;
  lengthUs: number;
}

/** Where each kept span of a clip plays. */
export const clipLayout = ({ kept, gaps }: Pick<ClipState['pared'], 'kept'> & { gaps: ProgrammeGap[] }): Layout =>
  laidOut(kept, gaps);

type Layout = Pick<Programme, 'spans' | 'playsAt' | 'lengthUs'>;

function laidOut(spans: Span[], gaps: ProgrammeGap[]): Layout {
  const room = new Map<number, number>();
  for (const gap of gaps) room.set(gap.after, (room.get(gap.after) ?? 0) + gap.lengthUs);
  let played = room.get(-1) ?? 0;
  const playsAt = spans.map((span, i) => {
    const at = played;
    played += span.endUs - span.startUs + (room.get(i) ?? 0);
    return at;
  });
  return { spans, playsAt, lengthUs: played };
}

export function wholeEpisode(durationUs: number, rate: number): Programme {
  return {
    ...laidOut([{ startUs: 0, endUs: durationUs }], []),
    runs: [{ clipFrame: 0, episodeFrame: 0, count: Math.floor((durationUs / 1e6) * rate), held: false }],
    path: WHOLE_PICTURE,
    silenced: [],
    rate,
    joined: null,
  };
}

/** One stretch of the episode by itself. */
export function oneStretch(startUs: number, endUs: number, rate: number): Programme {
  const first = Math.round((startUs / 1e6) * rate);
  const count = Math.max(1, Math.round(((endUs - startUs) / 1e6) * rate));
  return {
    ...laidOut([{ startUs, endUs }], []),
    runs: [{ clipFrame: 0, episodeFrame: first, count, held: false }],
    path: WHOLE_PICTURE,
    silenced: [],
    rate,
    joined: null,
  };
}

/**
 * A clip.
 *
 * @param asRecorded whether what cleans the voice is left out for the moment
 */
export function clipProgramme(
  clip: { id: number; pared: Pick<ClipState['pared'], 'kept' | 'removals'> & { gaps: ProgrammeGap[] } },
  preview: Preview,
  asRecorded: boolean,
): Programme {
  return {
    ...laidOut(clip.pared.kept, clip.pared.gaps),
    runs: preview.runs,
    path: new FramePath(preview.path),
    silenced: clip.pared.removals.filter((r) => r.means === 'ROOM_TONE' || r.means === 'MUTE').map((r) => r.span),
    rate: preview.frameRateNumerator / preview.frameRateDenominator,
    joined: preview.dressed ? { clipId: clip.id, revision: preview.revision, asRecorded } : null,
  };
}

/** The episode time heard at a time of the programme; in a gap, the time it follows. */
export function toEpisode(p: Layout, us: number): number {
  if (!p.spans.length) return 0;
  const at = Math.max(0, lastAtOrBefore(p.playsAt, us));
  const span = p.spans[at];
  return Math.max(span.startUs, Math.min(span.endUs, span.startUs + us - p.playsAt[at]));
}

/** The frame of the episode that a frame of the programme shows; the first where there is none. */
export function episodeFrameAt(p: Pick<Programme, 'runs'>, frame: number): number {
  const run = p.runs.find((r) => frame >= r.clipFrame && frame < r.clipFrame + r.count);
  return run ? run.episodeFrame + (run.held ? 0 : frame - run.clipFrame) : 0;
}

/** Where an episode time plays; the next kept moment when it was cut. */
export function toProgramme(p: Programme, episodeUs: number): number {
  let next = Infinity;
  for (let i = 0; i < p.spans.length; i++) {
    const span = p.spans[i];
    if (episodeUs >= span.startUs && episodeUs < span.endUs) return p.playsAt[i] + episodeUs - span.startUs;
    if (span.startUs >= episodeUs) next = Math.min(next, p.playsAt[i]);
  }
  return next === Infinity ? p.lengthUs : next;
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

/** The longest piece that is asked of the server at once; short, so that playing starts soon. */
const LONGEST_JOINED_US = 4_000_000;
const FIRST_JOINED_US = 1_500_000;

/**
 * Cuts the sound into pieces short enough to decode, from a time of the programme on. Joined sound is
 * cut by the programme's clock: its pieces go on where the ones before end.
 */
export function* soundPieces(p: Programme, fromUs: number, longestUs = LONGEST_PIECE_US): Generator<SoundPiece> {
  if (p.joined) {
    for (let at = Math.max(0, fromUs); at < p.lengthUs;) {
      const end = Math.min(
        p.lengthUs,
        at + Math.min(longestUs, at === Math.max(0, fromUs) ? FIRST_JOINED_US : LONGEST_JOINED_US),
      );
      yield { startUs: at, endUs: end, atUs: at, fadeIn: false, fadeOut: false };
      at = end;
    }
    return;
  }
  for (let i = 0; i < p.spans.length; i++) {
    const span = p.spans[i];
    const length = span.endUs - span.startUs;
    let at = Math.max(0, fromUs - p.playsAt[i]);
    while (at < length) {
      const end = Math.min(length, at + longestUs);
      yield {
        startUs: span.startUs + at,
        endUs: span.startUs + end,
        atUs: p.playsAt[i] + at,
        fadeIn: at === 0 && i > 0,
        fadeOut: end === length && i + 1 < p.spans.length,
      };
      at = end;
    }
  }
}
