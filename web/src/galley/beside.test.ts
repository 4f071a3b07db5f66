import { describe, expect, it } from 'vitest';
import type { ClipState, Cue, Preview } from '../api/client';
import { framePieces } from '../frame/frameLane';
import { captionPieces } from '../letter/captionLane';

const clip = {
  pared: {
    kept: [
      { startUs: 1_000_000, endUs: 2_000_000 },
      { startUs: 5_000_000, endUs: 6_000_000 },
    ],
    gaps: [{ id: 1, after: 0, word: 3, lengthUs: 500_000, startUs: 1_000_000 }],
  },
} as unknown as ClipState;

const cue = (startUs: number, endUs: number, ...lines: string[]) =>
  ({
    span: { startUs, endUs },
    played: { startUs, endUs },
    charactersPerSecond: 12.2,
    faults: startUs > 1_000_000 ? ['TOO_FAST'] : [],
    setByHand: [],
    lines: lines.map((line) => line.split(' ').map((text, i) => ({ text, wordId: i }))),
  }) as unknown as Cue;

describe('what stands beside the words', () => {
  it('lies where its words were said, whatever was cut and put in before', () => {
    expect(
      captionPieces(clip, [cue(200_000, 900_000, 'the wheel', 'stopped'), cue(1_700_000, 2_400_000, 'in March')]),
    ).toEqual([
      {
        startUs: 1_200_000,
        endUs: 1_900_000,
        text: 'the wheel / stopped',
        place: 0,
        told: '0.7 s, 12 a second',
        warned: false,
        marked: false,
      },
      {
        startUs: 5_200_000,
        endUs: 5_900_000,
        text: 'in March',
        place: 1,
        told: '0.7 s, 12 a second, too fast to read',
        warned: true,
        marked: false,
      },
    ]);
  });

  it('ends with the span it ends in', () => {
    expect(captionPieces(clip, [cue(0, 1_000_000, 'all')])[0].endUs).toBe(2_000_000);
  });

  it('names who is held, and says where the window moves', () => {
    const pushIns = [{ on: true, share: 0.12, span: { startUs: 5_530_000, endUs: 6_000_000 } }];
    const framed = {
      ...clip,
      framed: { shape: { width: 9, height: 16 }, pushIns, set: [{ id: 5, shown: { type: 'laid' } }] },
    } as unknown as ClipState;
    const preview = {
      frameRateNumerator: 25,
      frameRateDenominator: 1,
      path: [
        ...[0, 25, 1, 0, 1, 0, 0, 0, 1, 1, 1, 0, 0, 304, 540],
        ...[25, 2, 1, 0, 1, 0, 0, 0, 1, 1, 2, 1, 0, 304, 540, 3, 0, 304, 540],
        ...[27, 6, 1, 5, 1, 1, 0, 0, 1, 1, 1, 9, 0, 304, 540],
        ...[33, 6, 1, 0, 1, -1, 0, 0, 1, 1, 1, 5, 0, 304, 540],
        ...[39, 12, 0, 0, 1, -1, 0, 0.3, 1, 0.4, 1, 0, 0, 960, 540],
        ...[51, 12, 1, 0, 1, 0, 0, 0, 1, 1, 1, 9, 0, 304, 540],
      ],
      faces: [{ segment: 2, problem: 'CUT' }],
    } as unknown as Preview;
    expect(framePieces(framed, preview, ['Ada'], []).map((p) => p.text)).toEqual([
      'Ada held',
      'Ada moves',
      'Person 2 set, face cut',
      'middle held',
      'whole',
      '12 % in',
    ]);
  });
});
