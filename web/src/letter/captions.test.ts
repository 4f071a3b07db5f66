import { describe, expect, it } from 'vitest';
import type { ClipState, Cue, TranscriptColumns } from '../api/client';
import { captionAt, captionOf, nextFault, seenIn, textOf } from './captions';
import { snapped } from './snapping';
import { editName, waitingEdits } from './waitingEdits';

const cue = (startUs: number, endUs: number, words: [number, string][], more: Partial<Cue> = {}): Cue =>
  ({
    span: { startUs, endUs },
    played: { startUs, endUs },
    lines: [words.map(([wordId, text]) => ({ wordId, text, span: { startUs, endUs } }))],
    charactersPerSecond: 10,
    faults: [],
    added: false,
    beginsLaterUs: 0,
    endsLaterUs: 0,
    setByHand: [],
    ...more,
  }) as unknown as Cue;

const CUES = [
  cue(0, 900_000, [
    [10, 'The'],
    [11, 'sea'],
  ]),
  cue(1_000_000, 1_900_000, [[10, 'creaking']], { added: true }),
  cue(2_000_000, 3_000_000, [[14, 'rose.']], { faults: ['TOO_FAST'] }),
];

describe('captions', () => {
  it('are found by time and by word', () => {
    expect([-1, 0, 950_000, 1_500_000, 9_000_000].map((us) => captionAt(CUES, us))).toEqual([-1, 0, 0, 1, 2]);
    expect([10, 11, 14, 99].map((id) => captionOf(CUES, id))).toEqual([0, 0, 2, -1]);
    expect(textOf(CUES[0])).toBe('The sea');
  });

  it('are walked by what is wrong with them', () => {
    expect(nextFault(CUES, 0, 1)).toBe(2);
    expect(nextFault(CUES, 2, 1)).toBe(-1);
    expect(nextFault(CUES, 2, -1)).toBe(-1);
  });

  it('have the words that are heard and not shown, but none that were cut', () => {
    const us = [0, 300_000, 600_000, 900_000, 2_000_000];
    const transcript = {
      ids: [10, 11, 12, 13, 14],
      text: ['The', 'sea', 'uh', 'slowly', 'rose.'],
      startUs: us,
      endUs: us.map((u) => u + 200_000),
    } as unknown as TranscriptColumns;
    const clip = {
      pared: { cut: [{ startUs: 900_000, endUs: 1_100_000 }], lastWord: 4 },
    } as unknown as ClipState;
    expect(seenIn(CUES, 0, transcript, clip)).toEqual([
      { id: 10, text: 'The' },
      { id: 11, text: 'sea' },
      { id: 12, text: '' },
    ]);
  });

  it('snap to the middle, the thirds and the free edges', () => {
    const safe = { top: 0.12, bottom: 0.22, left: 0.05, right: 0.14 };
    expect(snapped({ x: 0.51, y: 0.775 }, safe)).toEqual({
      place: { x: 0.5, y: 0.78 },
      guides: { x: 0.5, y: 0.78 },
    });
    expect(snapped({ x: 0.2, y: 1.4 }, safe)).toEqual({ place: { x: 0.2, y: 1 }, guides: { x: null, y: null } });
  });
});

describe('what was set at words that are not heard', () => {
  const transcript = {
    ids: [10, 11, 12],
    text: ['The', 'sea', 'rose.'],
    startUs: [0, 300_000, 600_000],
    endUs: [200_000, 500_000, 800_000],
  } as unknown as TranscriptColumns;
  const clip = (kept: { startUs: number; endUs: number }[]) =>
    ({
      pared: { kept },
      lettered: {
        edits: {
          '': [
            { type: 'key', wordId: 11 },
            { type: 'showAs', wordId: 11, text: 'ocean' },
            { type: 'breakBefore', wordId: 12 },
            { type: 'key', wordId: 99 },
          ],
        },
      },
    }) as unknown as ClipState;

  it('waits until they are heard again', () => {
    const pared = waitingEdits(
      clip([
        { startUs: 0, endUs: 250_000 },
        { startUs: 550_000, endUs: 900_000 },
      ]),
      transcript,
    );
    expect(pared.map((w) => [w.said, w.edits.map(editName)])).toEqual([
      ['sea', ['stands out', 'reads “ocean”']],
      [null, ['stands out']],
    ]);
    expect(waitingEdits(clip([{ startUs: 0, endUs: 900_000 }]), transcript).map((w) => w.wordId)).toEqual([99]);
  });
});
