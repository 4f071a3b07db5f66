import { describe, expect, it } from 'vitest';
import type { ClipState, Cue } from '../api/client';
import { ownPlace, placedAt } from './ownPlace';

const cues = [1, 3, 5, 7].map((first) => ({
  lines: [[{ wordId: first }, { wordId: first + 1 }]],
})) as unknown as Cue[];
const high = { x: 0.5, y: 0.2 };
const left = { x: 0.2, y: 0.5 };
const clip = (edits: object[]) => ({ lettered: { edits: { '': edits } } }) as unknown as ClipState;

describe('captions that stand by themselves', () => {
  it('are a stretch as long as they stand in one place', () => {
    const shown = clip([...placedAt([3, 5], high), ...placedAt([7], left)]);
    expect(ownPlace(shown, cues, 0)).toBeNull();
    expect(ownPlace(shown, cues, 1)).toEqual({ place: high, words: [3, 5] });
    expect(ownPlace(shown, cues, 2)?.words).toEqual([3, 5]);
    expect(ownPlace(shown, cues, 3)).toEqual({ place: left, words: [7] });
  });

  it('are found by whichever of their words was named', () => {
    expect(ownPlace(clip(placedAt([2], high)), cues, 0)?.words).toEqual([1]);
    expect(ownPlace(clip([{ type: 'key', wordId: 1 }]), cues, 0)).toBeNull();
  });
});
