import { describe, expect, it } from 'vitest';
import { soundPieces, toEpisode, toProgramme, wholeEpisode, type Programme } from './programme';

const p: Programme = {
  spans: [
    { startUs: 1_000_000, endUs: 2_000_000 },
    { startUs: 5_000_000, endUs: 25_000_000 },
  ],
  runs: [],
  windows: [],
  rate: 25,
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
