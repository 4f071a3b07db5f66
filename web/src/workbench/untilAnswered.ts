import { unanswered } from '../api/line';
import { useWorkbench } from './store';

const AWAY = 'The server does not answer. What you do is kept in this window and sent as soon as it does.';
const BACK = 'The server answers again. Everything is saved.';
const BACK_AS_SAVED = 'The server answers again. This is how it was saved.';

const AGAIN_MS = 1_000;

/** Asks again and again until there is an answer or a refusal. */
async function onceBack<T>(ask: () => Promise<T>): Promise<T> {
  for (;;) {
    await new Promise((later) => setTimeout(later, AGAIN_MS));
    try {
      return await ask();
    } catch (error) {
      if (!unanswered(error)) throw error;
    }
  }
}

/**
 * Sends an edit until the server answers. An edit holds for one revision, so it cannot be applied twice:
 * if the saved state has moved on while the server was away, the edit had arrived and only the answer was
 * lost, or another window came first; then that state is the answer. The screen says what goes on.
 *
 * @param revision the edit starts from
 */
export async function untilAnswered<Step, State extends { revision: number }>(
  revision: number,
  edit: () => Promise<Step>,
  saved: () => Promise<State>,
): Promise<{ step: Step } | { state: State }> {
  for (let waited = false; ; waited = true) {
    try {
      const step = await edit();
      if (waited) useWorkbench.setState({ message: BACK });
      return { step };
    } catch (error) {
      if (!unanswered(error)) throw error;
    }
    useWorkbench.setState({ message: AWAY });
    const state = await onceBack(saved);
    if (state.revision !== revision) {
      useWorkbench.setState({ message: BACK_AS_SAVED });
      return { state };
    }
  }
}
