import { useEffect, useRef } from 'react';
import { ordered, STAGES, useWorkbench } from '../workbench/store';
import { correctingKeys } from './correcting';
import type { Desk, Keys } from './desk';
import { hearingKeys } from './hearing';
import { meantKey } from './keyMap';
import { letteringKeys } from './lettering';
import { paringKeys, putCarried, type Dropped } from './paring';
import { steppingKeys } from './stepping';

/** Keys that go elsewhere or keep something of the episode. */
const goingKeys: Keys = ({ key }, desk) => {
  const stage = STAGES[Number(key) - 1];
  if (stage) desk.goTo(stage);
  else if (key === 'm') void desk.mark();
  else if (key === 'g') desk.gatherSelected();
  else if (key === 'c' && !useWorkbench.getState().clip) desk.makeClip();
  else if (key === '?') desk.help();
  else return false;
  return true;
};

/** Undo, redo, and words taken up and put elsewhere. */
function withModifier(event: KeyboardEvent, desk: Desk): boolean {
  const { selection, clip } = useWorkbench.getState();
  const key = event.key.toLowerCase();
  if (key === 'z' && event.shiftKey) desk.redo();
  else if (key === 'z') desk.undo();
  else if (key === 'x' && clip && selection) useWorkbench.setState({ carrying: selection });
  else if (key === 'v' && clip) putCarried(desk.changes, selection ? ordered(selection)[0] : -1);
  else return false;
  return true;
}

/** Keys that move a slider. */
const SLIDING = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End', 'PageUp', 'PageDown'];

/** Our keys; see the help panel for their list. */
export function useKeys(desk: Desk, search: () => void) {
  const dropped = useRef<Dropped>([]);
  const clipId = useWorkbench((s) => s.clip?.id);
  useEffect(() => {
    dropped.current = [];
  }, [clipId]);
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select')) return;
      if (target.closest('[role=slider]') && SLIDING.includes(event.key)) return;
      const searchKeys: Keys = ({ key }) => key === '/' && (search(), true);
      const groups = [
        letteringKeys,
        hearingKeys,
        steppingKeys,
        paringKeys(dropped.current),
        correctingKeys,
        goingKeys,
        searchKeys,
      ];
      const done =
        event.ctrlKey || event.metaKey
          ? withModifier(event, desk)
          : groups.some((keys) => keys({ key: meantKey(event), event }, desk));
      if (done) event.preventDefault();
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [desk, search]);
}
