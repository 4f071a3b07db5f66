import type { Preview } from '../api/client';
import { WHOLE_PICTURE } from './framePath';
import { describe, expect, it } from 'vitest';
import { clipProgramme, soundPieces, toEpisode, toProgramme, wholeEpisode, type Programme } from './programme';

const p: Programme = {
  spans: [
    { startUs: 1_000_000, endUs: 2_000_000 },
    { startUs: 5_000_000, endUs: 25_000_000 },
  ],
  playsAt: [0, 1_000_000],
  runs: [],
  path: WHOLE_PICTURE,
  silenced: [],
  rate: 25,
  joined: null,
  lengthUs: 21_000_000,
};

describe('a programme', () => {
  it('finds the episode time of any moment and back', () => {
    for (const us of [0, 999_999, 1_000_000, 7_000_000, 20_999_999]) expect(toProgramme(p, toEpisode(p, us))).toBe(us);
  });

  it('goes to the next kept moment from a cut one', () => {
    expect(toProgramme(p, 3_000_000)).toBe(1_000_000);
    expect(toProgramme(p, 0)).toBe(0);
    expect(toProgramme(p, 60_000_000)).toBe(21_000_000);
  });

  it('is scheduled in pieces that follow one another exactly', () => {
    const pieces = [...soundPieces(p, 500_000)];
    let at = 500_000;
    for (const piece of pieces) {
      expect(piece.atUs).toBe(at);
      at += piece.endUs - piece.startUs;
    }
    expect(at).toBe(p.lengthUs);
  });

  it('fades only where it was cut', () => {
    const pieces = [...soundPieces(p, 0)];
    expect(pieces.map((x) => [x.fadeIn, x.fadeOut])).toEqual([
      [false, true],
      [true, false],
      [false, false],
      [false, false],
    ]);
    expect([...soundPieces(wholeEpisode(20_000_000, 25), 0)].some((x) => x.fadeIn || x.fadeOut)).toBe(false);
  });
});

describe('a programme with gaps', () => {
  const preview = {
    revision: 3,
    runs: [],
    path: [],
    frameRateNumerator: 25,
    frameRateDenominator: 1,
    dressed: true,
  } as unknown as Preview;
  const gapped = clipProgramme(
    {
      id: 7,
      pared: {
        removals: [],
        kept: [
          { startUs: 1_000_000, endUs: 2_000_000 },
          { startUs: 5_000_000, endUs: 6_000_000 },
        ],
        gaps: [
          { after: -1, lengthUs: 200_000 },
          { after: 0, lengthUs: 500_000 },
          { after: 1, lengthUs: 300_000 },
        ],
      },
    },
    preview,
    false,
  );

  it('lasts as long as spans and gaps together', () => {
    expect(gapped.lengthUs).toBe(3_000_000);
    expect(gapped.playsAt).toEqual([200_000, 1_700_000]);
  });

  it('stays in a gap at the time that it follows', () => {
    expect(toEpisode(gapped, 0)).toBe(1_000_000);
    expect(toEpisode(gapped, 700_000)).toBe(1_500_000);
    expect(toEpisode(gapped, 1_400_000)).toBe(2_000_000);
    expect(toEpisode(gapped, 2_900_000)).toBe(6_000_000);
    expect(toProgramme(gapped, 5_250_000)).toBe(1_950_000);
  });

  it('asks the server for its sound, piece after piece, to the end', () => {
    const pieces = [...soundPieces(gapped, 250_000)];
    expect(gapped.joined).toEqual({ clipId: 7, revision: 3, asRecorded: false });
    expect(pieces[0].startUs).toBe(250_000);
    expect(pieces.at(-1)!.endUs).toBe(3_000_000);
    expect(pieces.every((x) => !x.fadeIn && !x.fadeOut && x.startUs === x.atUs)).toBe(true);
  });
});
