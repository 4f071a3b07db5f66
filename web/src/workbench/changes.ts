import type { QueryClient } from '@tanstack/react-query';
import { api, Refusal, type ClipState, type ClipStep, type Intent } from '../api/client';
import { applyStep } from './applyStep';
import { useWorkbench } from './store';

let queue: Promise<unknown> = Promise.resolve();

const UNSEEN_MS = 60;

/** After the next frame is on the screen; a page in the background has none and does not wait for it. */
const painted = () =>
  new Promise<void>((done) => {
    const unseen = setTimeout(done, UNSEEN_MS);
    requestAnimationFrame(() =>
      setTimeout(() => {
        clearTimeout(unseen);
        done();
      }, 0),
    );
  });

/**
 * Sends changes one after the other, each from the state the one before left. The screen says
 * "Saved" only when the server has answered for all of them.
 */
function send(act: (clip: ClipState) => Promise<ClipStep>): Promise<void> {
  useWorkbench.setState((s) => ({ saving: s.saving + 1, lastEdited: 'clip' }));
  const work = queue.then(async () => {
    const clip = useWorkbench.getState().clip;
    try {
      if (!clip) return;
      const answer = await act(clip);
      // What was struck is seen before the page is busy with what came of it.
      if (useWorkbench.getState().striking) await painted();
      const now = useWorkbench.getState().clip;
      if (now?.id === answer.id) useWorkbench.setState({ clip: applyStep(now, answer) ?? (await api.clip(answer.id)) });
    } catch (error) {
      const refusal = error as Refusal;
      useWorkbench.setState({ message: refusal.message });
      if (refusal.status === 409 && clip) useWorkbench.setState({ clip: await api.clip(clip.id) });
    } finally {
      useWorkbench.setState((s) => ({ saving: s.saving - 1, striking: s.saving === 1 ? null : s.striking }));
    }
  });
  queue = work.catch(() => undefined);
  return work;
}

/**
 * A change of the clip.
 *
 * @param asked what is wanted, or what follows from the state the change before left
 */
export const change = (asked: Intent | ((clip: ClipState) => Intent)) =>
  send((clip) => api.change(clip.id, clip.revision, typeof asked === 'function' ? asked(clip) : asked));
export const returnToVersion = (version: number) => send((clip) => api.returnToVersion(clip.id, version, clip.revision));
export const undo = () => send((clip) => api.undo(clip.id, clip.revision));
export const redo = () => send((clip) => api.redo(clip.id, clip.revision));

/** Parts the clip before a word; the rest becomes a clip of its own. */
export function partBefore(word: number, queries: QueryClient) {
  return send(async (clip) => {
    const parted = await api.part(clip.id, clip.revision, word);
    useWorkbench.setState({ message: `From here on it is a clip of its own: ${parted.second.title}` });
    void queries.invalidateQueries({ queryKey: ['clips'] });
    return parted.first;
  });
}

/** Puts another clip of the episode after this one. */
export function joinOn(other: number, queries: QueryClient) {
  return send(async (clip) => {
    const step = await api.join(clip.id, clip.revision, other);
    void queries.invalidateQueries({ queryKey: ['clips'] });
    return step;
  });
}

/** Strikes the words at once and lets the answer settle it. */
export function pareWords(first: number, last: number) {
  useWorkbench.setState({ striking: { anchor: first, focus: last } });
  return change({ type: 'pareWords', first, last });
}
