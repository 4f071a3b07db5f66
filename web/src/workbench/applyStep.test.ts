import { describe, expect, it } from 'vitest';
import type { ClipState, ClipStep } from '../api/client';
import { applyStep } from './applyStep';

const span = (startUs: number, endUs: number) => ({ startUs, endUs });
const clip = {
  id: 7,
  revision: 3,
  title: 'Ice',
  kept: [span(0, 100), span(200, 300), span(400, 500)],
  cut: [span(100, 200), span(300, 400)],
  removals: [],
  lengthUs: 300,
} as unknown as ClipState;

const step = {
  id: 7,
  fromRevision: 3,
  revision: 4,
  title: 'Ice',
  kept: { from: 1, taken: 1, added: [span(200, 220), span(250, 300)] },
  cut: { from: 1, taken: 0, added: [span(220, 250)] },
  removals: { from: 0, taken: 0, added: [{ id: 1, reason: 'BY_HAND', span: span(220, 250), text: 'so' }] },
  spans: 4,
  lengthUs: 270,
} as unknown as ClipStep;

describe('a step', () => {
  it('changes what it names and leaves the rest', () => {
    const next = applyStep(clip, step)!;
    expect(next.kept).toEqual([span(0, 100), span(200, 220), span(250, 300), span(400, 500)]);
    expect(next.cut).toEqual([span(100, 200), span(220, 250), span(300, 400)]);
    expect(next.removals).toHaveLength(1);
    expect(next.revision).toBe(4);
    expect(next.lengthUs).toBe(270);
    expect(clip.kept).toHaveLength(3);
  });

  it('is refused on any other state', () => {
    expect(applyStep({ ...clip, revision: 2 }, step)).toBeNull();
    expect(applyStep({ ...clip, id: 8 }, step)).toBeNull();
    expect(applyStep({ ...clip, kept: clip.kept.slice(1) }, step)).toBeNull();
  });
});
