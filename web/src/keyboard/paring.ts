import type { ClipState, Removal, TranscriptColumns } from '../api/client';
import { cutFlags } from '../galley/setLines';
import { removalsIn } from '../galley/stops';
import { GAP_SECONDS, TREATMENTS } from '../pare/TreatMenu';
import type { ClipChanges } from '../workbench/changes';
import { ordered, useWorkbench } from '../workbench/store';
import { wordHere, type Desk, type Keys } from './desk';

/** How far from the selected words a cut may lie to be theirs. */
const NEAR_US = 400_000;

/** Sentences dropped from the open clip while it played, the last one last. */
export type Dropped = [number, number][];

/** Keys that pare the open clip. */
export const paringKeys =
  (dropped: Dropped): Keys =>
  ({ key, event }, desk) => {
    const { clip, selection, pause, gap } = useWorkbench.getState();
    if (key === 'r' || key === 'R') {
      if (clip && pause !== null) putPauseBack(desk.changes, desk.transcript, clip, pause);
      else if (useWorkbench.getState().playing && dropped.length) putLastBack(desk, dropped);
      else desk.changes.putBackSelected();
      return true;
    }
    if (!clip) return false;
    if (key === 'Backspace' || key === 'Delete') return pared(desk, clip, dropped, event.shiftKey);
    if (key === 'Enter') return looked(desk, clip, event.target as HTMLElement);
    return gap === null && selection !== null && treated(desk, key.toLowerCase(), ordered(selection));
  };

/** Puts the words that were taken up before another word of the clip; -1 for its end. */
export function putCarried(changes: ClipChanges, before: number) {
  const { carrying } = useWorkbench.getState();
  if (!carrying) return;
  const [first, last] = ordered(carrying);
  useWorkbench.setState({ carrying: null });
  void changes.change({ type: 'moveWords', first, last, before });
}

/** Puts back what was taken out of the pause after a word. */
export function putPauseBack(changes: ClipChanges, transcript: TranscriptColumns, clip: ClipState, word: number) {
  const ids = removalsIn(transcript, clip, word)
    .filter((r) => r.reason === 'PAUSE')
    .map((r) => r.id);
  if (ids.length) void changes.change({ type: 'putBackRemovals', ids });
  else useWorkbench.setState({ message: 'This pause went with the words beside it; put those back.' });
}

function pared(desk: Desk, clip: ClipState, dropped: Dropped, shift: boolean): boolean {
  const { pause, gap, selection, playing } = useWorkbench.getState();
  const { changes } = desk;
  if (playing) {
    dropSentence(desk, clip, dropped, shift);
    return true;
  }
  if (gap !== null) {
    useWorkbench.setState({ gap: null });
    void changes.change({ type: 'changeGap', id: gap, seconds: 0 });
    return true;
  }
  if (pause !== null) {
    void changes.change({ type: 'parePauseAfter', word: pause });
    return true;
  }
  if (!selection) return false;
  void changes.pareWords(...ordered(selection));
  return true;
}

/** Drops the sentence heard last, or the one being heard, and plays on. */
function dropSentence(desk: Desk, clip: ClipState, dropped: Dropped, present: boolean) {
  const { transcript } = desk;
  const flags = cutFlags(transcript, clip.pared.cut);
  const ends = transcript.sentenceEnds;
  const at = ends.findIndex((end) => end > Math.max(0, wordHere(desk)));
  for (let s = present ? at : at - 1; s >= 0; s--) {
    const first = Math.max(clip.pared.firstWord, s === 0 ? 0 : ends[s - 1]);
    const last = Math.min(clip.pared.lastWord, ends[s] - 1);
    if (last < first) return;
    if (!flags.subarray(first, last + 1).every((cut) => cut === 1)) {
      dropped.push([first, last]);
      void desk.changes.pareWords(first, last);
      return;
    }
    if (present) return;
  }
}

function putLastBack(desk: Desk, dropped: Dropped) {
  const [first, last] = dropped.pop()!;
  void desk.changes.change({ type: 'putBackWords', first, last });
}

function treated({ changes }: Desk, key: string, [first, last]: [number, number]): boolean {
  const treatment = TREATMENTS.find((t) => t.key === key);
  if (treatment) void changes.change({ type: 'treatWords', first, last, means: treatment.means });
  else if (key === 'i') void changes.change({ type: 'putGap', word: last, seconds: GAP_SECONDS });
  else if (key === 'd') void changes.partBefore(first);
  else return false;
  return true;
}

/** Opens what is selected: the length of a gap, or the join beside words or a pause. */
function looked({ transcript }: Desk, clip: ClipState, target: HTMLElement): boolean {
  const { pause, gap, selection } = useWorkbench.getState();
  if (gap !== null) {
    document.querySelector<HTMLInputElement>('[data-testid=gap-field] input')?.select();
    return true;
  }
  if ((!selection && pause === null) || target.closest('button, a')) return false;
  const words = selection ? ordered(selection) : null;
  const [cut] = pause !== null ? removalsIn(transcript, clip, pause) : removalsNear(transcript, clip, words!);
  lookAtJoin(clip, cut, words);
  return true;
}

function removalsNear(transcript: TranscriptColumns, clip: ClipState, [first, last]: [number, number]) {
  const from = transcript.startUs[first] - NEAR_US;
  const to = transcript.endUs[last] + NEAR_US;
  return clip.pared.removals.filter((r) => r.span.endUs > from && r.span.startUs < to);
}

/** Opens the loupe on a cut; without one, on the seam beside the selected words. */
function lookAtJoin(clip: ClipState, cut: Removal | undefined, words: [number, number] | null) {
  const seam = words
    ? clip.pared.pieces.findIndex(
        (p, place) => place > 0 && (p.from === words[0] || clip.pared.pieces[place - 1].to - 1 === words[1]),
      )
    : -1;
  if (cut) useWorkbench.setState({ loupe: cut.id, seam: null });
  else if (seam > 0) useWorkbench.setState({ seam, loupe: null });
  else useWorkbench.setState({ message: 'Nothing was cut here, so there is no join to look at.' });
}
