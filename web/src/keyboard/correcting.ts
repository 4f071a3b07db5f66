import { nextRemarked } from '../proof/remarks';
import { startCorrecting } from '../workbench/corrections';
import { ordered, useWorkbench } from '../workbench/store';
import { standAt, wordHere, type Desk, type Keys } from './desk';

/** Keys that correct the text. */
export const correctingKeys: Keys = ({ key }, desk) => {
  const { corrections, transcript, playback } = desk;
  const { selection, playing } = useWorkbench.getState();
  if (key.toLowerCase() === 'n') {
    nextDoubtful(desk);
    return true;
  }
  if (key === ';' || key === ':') {
    goToRemark(desk, key === ';' ? 1 : -1);
    return true;
  }
  if (!selection) return false;
  const [first, last] = ordered(selection);
  switch (key.toLowerCase()) {
    case 't':
      startCorrecting(playback, first, last);
      return true;
    case 'p':
      void corrections.correct({ type: 'mark', word: last });
      return true;
    case 'u':
      void corrections.correct({ type: 'capital', word: first });
      return true;
    case 'b': {
      const starts = !transcript.paragraphs.some((p) => p.from === first);
      void corrections.correct({ type: 'paragraph', word: first, starts });
      return true;
    }
    case 'a':
      void corrections.correct({ type: 'accept', word: first });
      if (playing) playback.seekEpisode(transcript.startUs[last + 1] ?? transcript.endUs[last]);
      nextDoubtful(desk);
      return true;
    default:
      return false;
  }
};

function goToRemark(desk: Desk, by: 1 | -1) {
  const { selection, select, clip } = useWorkbench.getState();
  const word = nextRemarked(desk.remarked, selection ? selection.focus : wordHere(desk), by);
  if (word === null) {
    useWorkbench.setState({ message: clip ? 'No remark on this clip is open.' : 'Open a clip to walk its remarks.' });
    return;
  }
  select(word, word);
  standAt(desk, desk.transcript.startUs[word]);
}

function nextDoubtful(desk: Desk) {
  const { selection, select } = useWorkbench.getState();
  const from = selection ? ordered(selection)[1] : wordHere(desk);
  const next = desk.doubtful.find((d) => d.index > from) ?? desk.doubtful[0];
  if (!next) {
    useWorkbench.setState({ message: 'No word is doubtful.' });
    return;
  }
  select(next.index, next.index);
  standAt(desk, desk.transcript.startUs[next.index]);
}
