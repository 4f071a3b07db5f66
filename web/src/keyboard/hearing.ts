import { setRate, stepRate } from '../plate/Transport';
import { ordered, useWorkbench } from '../workbench/store';
import type { Desk, Keys } from './desk';

const SHUTTLE_BACK_US = 2_000_000;

/** Keys that play, stop and listen. */
export const hearingKeys: Keys = ({ key, event }, desk) => {
  const { playback } = desk;
  if (key === ' ' && !(event.target as HTMLElement).closest('button, [role=switch], a')) {
    useWorkbench.setState((s) => ({ playing: !s.playing }));
    playback.toggle();
    return true;
  }
  if (key === 'j' || key === 'k' || key === 'l') {
    shuttle(desk, key);
    return true;
  }
  if (key === ',' || key === '.') {
    playback.nudge(key === '.' ? desk.frameUs : -desk.frameUs);
    return true;
  }
  return (key.toLowerCase() === 'h' || (event.altKey && event.code === 'KeyH')) && heard(desk, event);
};

function shuttle(desk: Desk, key: 'j' | 'k' | 'l') {
  const { playback } = desk;
  if (!playback.isReady) return;
  const { playing } = useWorkbench.getState();
  if (key === 'k') {
    setRate(1);
    if (playing) playback.toggle();
  } else if (playing) stepRate(key === 'l' ? 1 : -1);
  else if (key === 'l') {
    useWorkbench.setState({ playing: true });
    playback.toggle();
  } else playback.nudge(-SHUTTLE_BACK_US);
}

/** What is selected: as it comes in the clip, with Shift as it was recorded, with Alt over and over. */
function heard({ playback, transcript }: Desk, { shiftKey, altKey }: KeyboardEvent): boolean {
  const { pause, selection } = useWorkbench.getState();
  const { startUs, endUs } = transcript;
  if (pause !== null && !altKey) {
    if (shiftKey) playback.hear(endUs[pause], startUs[pause + 1]);
    else playback.hearAround(endUs[pause], false);
    return true;
  }
  if (!selection) return false;
  const [first, last] = ordered(selection);
  if (altKey) playback.hearLoop(startUs[first], endUs[last]);
  else if (shiftKey) playback.hear(startUs[first], endUs[last]);
  else playback.hearAround(startUs[first], false);
  return true;
}
