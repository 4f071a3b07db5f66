import type { ClipState, ClipStep } from '../api/client';

interface Splice<T> {
  from: number;
  taken: number;
  added: T[];
}

const spliced = <T>(list: T[], { from, taken, added }: Splice<T>) =>
  taken === 0 && added.length === 0 ? list : [...list.slice(0, from), ...added, ...list.slice(from + taken)];

function applyPared(pared: ClipState['pared'], step: NonNullable<ClipStep['pared']>): ClipState['pared'] | null {
  const { spans, removals, kept, cut, ...rest } = step;
  const next = {
    ...pared,
    ...rest,
    removals: spliced(pared.removals, removals),
    kept: spliced(pared.kept, kept),
    cut: spliced(pared.cut, cut),
  };
  return next.kept.length === spans ? next : null;
}

/** The clip after a step, which carries the sections that changed; null when it goes on from another state. */
export function applyStep(clip: ClipState, step: ClipStep): ClipState | null {
  if (clip.id !== step.id || clip.revision !== step.fromRevision) return null;
  const pared = step.pared ? applyPared(clip.pared, step.pared) : clip.pared;
  if (!pared) return null;
  return {
    ...clip,
    revision: step.revision,
    undo: step.undo,
    redo: step.redo,
    pared,
    framed: step.framed ?? clip.framed,
    lettered: step.lettered ?? clip.lettered,
    laidOver: step.laidOver ?? clip.laidOver,
    sounded: step.sounded ?? clip.sounded,
    delivered: step.delivered ?? clip.delivered,
  };
}
