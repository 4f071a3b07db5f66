import { paragraphOf, sentenceOf, wordAt } from '../galley/setLines';
import { nextStop, type Stop } from '../galley/stops';
import { ordered, useWorkbench } from '../workbench/store';
import { standAt, wordHere, type Desk, type Keys } from './desk';

/** Keys that go from word to word and select. */
export const steppingKeys: Keys = ({ key, event }, desk) => {
  if (key === 'ArrowLeft' || key === 'ArrowRight') {
    const by = key === 'ArrowRight' ? 1 : -1;
    if (event.shiftKey || event.altKey) stepWords(desk, by, event.shiftKey, event.altKey);
    else stepStops(desk, by);
    return true;
  }
  if (key === 's') {
    takeMore(desk);
    return true;
  }
  if (key === '[' || key === ']') {
    selectTo(desk, key);
    return true;
  }
  if (key === 'Escape') {
    useWorkbench.setState({ selection: null, pause: null, gap: null, hits: [], carrying: null });
    return true;
  }
  return false;
};

/** Where the keyboard stands: what is selected, or the word under the playhead. */
function standing(desk: Desk): Stop {
  const { clip, selection, pause, gap } = useWorkbench.getState();
  const inserted = clip?.pared.gaps.find((g) => g.id === gap);
  if (inserted) return { kind: 'gap', word: inserted.word, id: inserted.id };
  if (pause !== null) return { kind: 'pause', word: pause };
  return { kind: 'word', word: selection ? selection.focus : Math.max(0, wordHere(desk)) };
}

function stepStops(desk: Desk, by: 1 | -1) {
  const { clip, showStruck, select } = useWorkbench.getState();
  const { transcript } = desk;
  const stop = nextStop(transcript, clip, showStruck, standing(desk), by);
  if (!stop) return;
  if (stop.kind === 'word') select(stop.word, stop.word);
  else if (stop.kind === 'pause') useWorkbench.setState({ pause: stop.word, gap: null, selection: null });
  else useWorkbench.setState({ gap: stop.id, pause: null, selection: null });
  standAt(desk, stop.kind === 'word' ? transcript.startUs[stop.word] : transcript.endUs[stop.word]);
}

function stepWords(desk: Desk, by: 1 | -1, extend: boolean, sentence: boolean) {
  const { selection, select } = useWorkbench.getState();
  const { transcript } = desk;
  const from = standing(desk).word;
  const words = transcript.text.length;
  const to = sentence ? sentenceStep(transcript.sentenceEnds, words, from, by, extend) : from + by;
  const next = Math.max(0, Math.min(words - 1, to));
  select(extend && selection ? selection.anchor : next, next);
  standAt(desk, transcript.startUs[next]);
}

/** The word at which a step by a sentence arrives: its beginning, or its last word while selecting onwards. */
function sentenceStep(ends: number[], words: number, from: number, by: 1 | -1, extend: boolean): number {
  const at = wordAt(ends, from);
  if (by < 0) return at >= 0 && ends[at] < from ? ends[at] : (ends[at - 1] ?? 0);
  if (!extend) return ends[at + 1] ?? words;
  const last = (ends[at + 1] ?? words) - 1;
  return last === from ? (ends[at + 2] ?? words) - 1 : last;
}

/** Selects the sentence; when that is selected, its paragraph. */
function takeMore(desk: Desk) {
  const { selection, select } = useWorkbench.getState();
  const word = selection ? selection.focus : Math.max(0, wordHere(desk));
  const sentence = sentenceOf(desk.transcript, word);
  const whole = selection && ordered(selection)[0] <= sentence[0] && ordered(selection)[1] >= sentence[1];
  select(...(whole ? paragraphOf(desk.transcript, word) : sentence));
}

/** Lets the selection begin or end at the playhead. */
function selectTo(desk: Desk, bracket: '[' | ']') {
  const { selection, select } = useWorkbench.getState();
  const word = Math.max(0, wordHere(desk));
  if (bracket === '[') select(word, selection && selection.focus > word ? selection.focus : word);
  else select(selection && selection.anchor <= word ? selection.anchor : word, word);
}
