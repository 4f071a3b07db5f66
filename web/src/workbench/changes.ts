import { createContext, useContext } from 'react';
import type { QueryClient } from '@tanstack/react-query';
import { api, Refusal, type ClipState, type ClipStep, type Intent } from '../api/client';
import { painted } from '../ui/painted';
import { applyStep } from './applyStep';
import { ordered, useWorkbench, type Selection } from './store';
import { untilAnswered } from './untilAnswered';

/** Changes of the clips of an open episode. */
export class ClipChanges {
  private queue: Promise<unknown> = Promise.resolve();

  constructor(private readonly queries: QueryClient) {}

  /**
   * Sends changes one after the other, each from the state the one before left, and for the clip that was
   * open when it was asked for. The screen says "Saved" only when the server has answered for all of them.
   */
  private send(act: (clip: ClipState) => Promise<ClipStep>, strike?: Selection): Promise<void> {
    const id = useWorkbench.getState().clip?.id;
    if (id === undefined) return Promise.resolve();
    useWorkbench.setState((s) => ({
      saving: s.saving + 1,
      lastEdited: 'clip',
      striking: strike ? [...s.striking, strike] : s.striking,
    }));
    const work = this.queue.then(async () => {
      try {
        const open = useWorkbench.getState().clip;
        const clip = open?.id === id ? open : await api.clip(id);
        const answer = await untilAnswered(
          clip.revision,
          () => act(clip),
          () => api.clip(id),
        );
        // What was struck is seen before the page is busy with what came of it.
        if (useWorkbench.getState().striking.length) await painted();
        const now = useWorkbench.getState().clip;
        if (now?.id !== id) return;
        useWorkbench.setState({
          clip: 'state' in answer ? answer.state : (applyStep(now, answer.step) ?? (await api.clip(id))),
        });
      } catch (error) {
        const refusal = error as Refusal;
        useWorkbench.setState({ message: refusal.message });
        if (refusal.status !== 409) return;
        const saved = await api.clip(id);
        if (useWorkbench.getState().clip?.id === id) useWorkbench.setState({ clip: saved });
      } finally {
        useWorkbench.setState((s) => ({
          saving: s.saving - 1,
          striking: strike ? s.striking.filter((struck) => struck !== strike) : s.striking,
        }));
      }
    });
    this.queue = work.catch(() => undefined);
    return work;
  }

  /**
   * A change of the clip.
   *
   * @param asked what is wanted, or what follows from the state the change before left
   */
  change = (asked: Intent | ((clip: ClipState) => Intent)) =>
    this.send((clip) => api.change(clip.id, clip.revision, typeof asked === 'function' ? asked(clip) : asked));
  returnToVersion = (version: number) => this.send((clip) => api.returnToVersion(clip.id, version, clip.revision));
  undo = () => this.send((clip) => api.undo(clip.id, clip.revision));
  redo = () => this.send((clip) => api.redo(clip.id, clip.revision));

  /** Parts the clip before a word; the rest becomes a clip of its own. */
  partBefore(word: number) {
    return this.send(async (clip) => {
      const parted = await api.part(clip.id, clip.revision, word);
      useWorkbench.setState({ message: `From here on it is a clip of its own: ${parted.second.delivered.title}` });
      void this.queries.invalidateQueries({ queryKey: ['clips'] });
      return parted.first;
    });
  }

  /** Puts another clip of the episode after this one. */
  joinOn(other: number) {
    return this.send(async (clip) => {
      const step = await api.join(clip.id, clip.revision, other);
      void this.queries.invalidateQueries({ queryKey: ['clips'] });
      return step;
    });
  }

  /** Strikes the words at once and lets the answer settle it. */
  pareWords = (first: number, last: number) =>
    this.send((clip) => api.change(clip.id, clip.revision, { type: 'pareWords', first, last }), {
      anchor: first,
      focus: last,
    });

  /** Puts the selected words back. */
  putBackSelected = () => {
    const selection = useWorkbench.getState().selection;
    if (!selection) return;
    const [first, last] = ordered(selection);
    void this.change({ type: 'putBackWords', first, last });
  };
}

export const ChangesContext = createContext<ClipChanges | null>(null);

/** The changes of the open episode's clips. */
export function useChanges(): ClipChanges {
  const changes = useContext(ChangesContext);
  if (!changes) throw new Error('No episode is open whose clips could be changed');
  return changes;
}
