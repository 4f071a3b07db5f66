import { describe, expect, it } from 'vitest';
import type { ClipState, ClipStep } from '../api/client';
import { applyStep } from './applyStep';

const span = (startUs: number, endUs: number) => ({ startUs, endUs });
const clip = {
  id: 7,
  revision: 3,
  pared: {
    kept: [span(0, 100), span(200, 300), span(400, 500)],
    cut: [span(100, 200), span(300, 400)],
    removals: [],
    lengthUs: 300,
  },
  framed: { shape: { width: 9, height: 16 } },
  delivered: { title: 'Ice', specs: [] },
} as unknown as ClipState;

const step = {
  id: 7,
  fromRevision: 3,
  revision: 4,
  pared: {
    kept: { from: 1, taken: 1, added: [span(200, 220), span(250, 300)] },
    cut: { from: 1, taken: 0, added: [span(220, 250)] },
    removals: { from: 0, taken: 0, added: [{ id: 1, reason: 'BY_HAND', span: span(220, 250), text: 'so' }] },
    spans: 4,
    lengthUs: 270,
  },
  framed: null,
  delivered: null,
} as unknown as ClipStep;

describe('a step', () => {
  it('changes what it names and leaves the rest', () => {
    const next = applyStep(clip, step)!;
    expect(next.pared.kept).toEqual([span(0, 100), span(200, 220), span(250, 300), span(400, 500)]);
    expect(next.pared.cut).toEqual([span(100, 200), span(220, 250), span(300, 400)]);
    expect(next.pared.removals).toHaveLength(1);
    expect(next.revision).toBe(4);
    expect(next.pared.lengthUs).toBe(270);
    expect(clip.pared.kept).toHaveLength(3);
  });

  it('carries only the sections that changed', () => {
    const renamed = applyStep(clip, {
      ...step,
      pared: null,
      delivered: {
        title: 'Snow',
        specs: ['wide'],
        post: null,
        waived: [],
        cover: { episodeUs: null, hasHeading: false },
      },
    })!;
    expect(renamed.delivered).toEqual({
      title: 'Snow',
      specs: ['wide'],
      post: null,
      waived: [],
      cover: { episodeUs: null, hasHeading: false },
    });
    expect(renamed.pared).toBe(clip.pared);
    expect(renamed.framed).toBe(clip.framed);
  });

  it('is refused on any other state', () => {
    expect(applyStep({ ...clip, revision: 2 }, step)).toBeNull();
    expect(applyStep({ ...clip, id: 8 }, step)).toBeNull();
    expect(applyStep({ ...clip, pared: { ...clip.pared, kept: clip.pared.kept.slice(1) } }, step)).toBeNull();
  });
});
