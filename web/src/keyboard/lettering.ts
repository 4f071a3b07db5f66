import { captionAt, captionOf, nextFault } from '../letter/captions';
import { nudge, setEnd, toggleCaption, toggleKey, toggleLine, type CaptionDesk } from '../letter/captionActs';
import { usePlayhead } from '../plate/playhead';
import { ordered, useWorkbench } from '../workbench/store';
import { wordHere, type Desk, type Keys } from './desk';

/** Keys that edit captions; none of them where captions are not open. */
export const letteringKeys: Keys = ({ key, event }, desk) => {
  const { clip, selection } = useWorkbench.getState();
  if (!clip || !desk.cues?.length) return false;
  const captions: CaptionDesk = { ...desk, clip, cues: desk.cues };
  const [first, last] = selection ? ordered(selection) : [wordHere(desk), wordHere(desk)];
  const id = desk.transcript.ids[Math.max(0, first)];
  const at = here(desk, selection ? id : null);
  switch (key) {
    case 'q':
      toggleCaption(captions, id);
      return true;
    case 'w':
      toggleLine(captions, id);
      return true;
    case 'v':
      toggleKey(captions, desk.transcript.ids.slice(Math.max(0, first), last + 1));
      return true;
    case 'f':
      document.querySelector<HTMLTextAreaElement>('[data-testid=caption-text]')?.focus();
      return true;
    case 'z':
    case 'Z':
      goToFault(desk, at, key === 'Z' ? -1 : 1);
      return true;
    case '[':
    case ']':
      if (at < 0) return false;
      setEnd(captions, at, key === '[' ? 'begin' : 'end', usePlayhead.getState().programmeUs);
      return true;
    case ',':
    case '.':
      if (!event.altKey || at < 0) return false;
      nudge(captions, at, event.shiftKey ? 'end' : 'begin', key === ',' ? -desk.frameUs : desk.frameUs);
      return true;
    default:
      return false;
  }
};

function here(desk: Desk, wordId: number | null): number {
  const selected = wordId === null ? -1 : captionOf(desk.cues!, wordId);
  return selected >= 0 ? selected : captionAt(desk.cues!, usePlayhead.getState().programmeUs + 1);
}

/** Goes to the next caption with something wrong. */
export function goToFault(desk: Pick<Desk, 'cues' | 'transcript' | 'playback'>, from: number, by: 1 | -1) {
  const found = nextFault(desk.cues ?? [], from, by);
  if (found < 0) {
    useWorkbench.setState({ message: 'Nothing is wrong with the captions that way.' });
    return;
  }
  const place = desk.transcript.ids.indexOf(desk.cues![found].lines[0][0].wordId);
  useWorkbench.getState().select(place, place);
  desk.playback.seekEpisode(desk.transcript.startUs[place]);
}
