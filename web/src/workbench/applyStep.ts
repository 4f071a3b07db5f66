import type { ClipState, ClipStep } from '../api/client';

interface Splice<T> {
  from: number;
  taken: number;
  added: T[];
}

const spliced = <T>(list: T[], { from, taken, added }: Splice<T>) =>
  taken === 0 && added.length === 0 ? list : [...list.slice(0, from), ...added, ...list.slice(from + taken)];

/** The clip after a step; null when the step goes on from another state than this one. */
export function applyStep(clip: ClipState, step: ClipStep): ClipState | null {
  const { fromRevision, spans, removals, kept, cut, ...rest } = step;
  if (clip.id !== step.id || clip.revision !== fromRevision) return null;
  const next = {
    ...clip,
    ...rest,
    removals: spliced(clip.removals, removals),
    kept: spliced(clip.kept, kept),
    cut: spliced(clip.cut, cut),
  };
  return next.kept.length === spans ? next : null;
}
