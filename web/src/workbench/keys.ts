import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { ClipState, Removal, DoubtfulWord, TranscriptColumns } from '../api/client';
import { putBackSelected } from '../galley/Galley';
import { cutFlags, paragraphOf, sentenceOf, wordAt } from '../galley/setLines';
import { nextStop, removalsIn, type Stop } from '../galley/stops';
import { current, togglePlay } from '../plate/player';
import { usePlayhead } from '../plate/playhead';
import { setRate, stepRate } from '../plate/Transport';
import { GAP_SECONDS, TREATMENTS } from '../stages/TreatMenu';
import { change, pareWords, partBefore } from './changes';
import { startCorrecting, type Corrections } from './corrections';
import { meantKey } from './keyMap';
import { ordered, STAGES, useWorkbench, type Stage } from './store';

const SHUTTLE_BACK_US = 2_000_000;
/** How far from the selected words a cut may lie to be theirs. */
const NEAR_US = 400_000;

/** Sentences dropped from the open clip while it played, the last one last. */
let dropped: [number, number][] = [];

interface Actions {
  transcript: TranscriptColumns;
  goTo: (stage: Stage) => void;
  search: () => void;
  help: () => void;
  gatherSelected: () => void;
  makeClip: () => void;
  mark: () => Promise<void>;
  undo: () => void;
  redo: () => void;
  corrections: Corrections;
  doubtful: DoubtfulWord[];
  /** Length of a frame of the recording. */
  frameUs: number;
}

/** Puts the words that were taken up before another word of the clip; -1 for its end. */
export function putCarried(before: number) {
  const { carrying } = useWorkbench.getState();
  if (!carrying) return;
  const [first, last] = ordered(carrying);
  useWorkbench.setState({ carrying: null });
  void change({ type: 'moveWords', first, last, before });
}

/** Puts back what was taken out of the pause after a word. */
export function putPauseBack(transcript: TranscriptColumns, clip: ClipState, word: number) {
  const ids = removalsIn(transcript, clip, word)
    .filter((r) => r.reason === 'PAUSE')
    .map((r) => r.id);
  if (ids.length) void change({ type: 'putBackRemovals', ids });
  else useWorkbench.setState({ message: 'This pause went with the words beside it; put those back.' });
}

/** Our keys; see the help panel for their list. */
export function useKeys({
  transcript,
  goTo,
  search,
  help,
  gatherSelected,
  makeClip,
  mark: markSelected,
  undo,
  redo,
  corrections,
  doubtful,
  frameUs,
}: Actions) {
  const queries = useQueryClient();
  const clipId = useWorkbench((s) => s.clip?.id);
  useEffect(() => {
    dropped = [];
  }, [clipId]);
  useEffect(() => {
    const down = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement;
      if (target.closest('input, textarea, select, [role=slider]')) return;
      if (handled(e)) e.preventDefault();
    };
    const handled = (e: KeyboardEvent): boolean => {
      const { selection, clip } = useWorkbench.getState();
      const modified = e.ctrlKey || e.metaKey;
      if (modified && e.key.toLowerCase() === 'z') {
        if (e.shiftKey) redo();
        else undo();
        return true;
      }
      if (modified && clip && selection && e.key.toLowerCase() === 'x') {
        useWorkbench.setState({ carrying: selection });
        return true;
      }
      if (modified && clip && e.key.toLowerCase() === 'v') {
        putCarried(selection ? ordered(selection)[0] : -1);
        return true;
      }
      if (modified) return false;
      const key = meantKey(e);
      if (key === ' ' && !(e.target as HTMLElement).closest('button, [role=switch], a')) {
        useWorkbench.setState((s) => ({ playing: !s.playing }));
        togglePlay();
        return true;
      }
      if (key === 'ArrowLeft' || key === 'ArrowRight') {
        step(key === 'ArrowRight' ? 1 : -1, e.shiftKey, e.altKey);
        return true;
      }
      if (key === 'Backspace' || key === 'Delete') {
        if (clip && useWorkbench.getState().playing) {
          dropSentence(clip, e.shiftKey);
          return true;
        }
        const { pause, gap } = useWorkbench.getState();
        if (clip && gap !== null) {
          useWorkbench.setState({ gap: null });
          void change({ type: 'changeGap', id: gap, seconds: 0 });
          return true;
        }
        if (clip && pause !== null) {
          void change({ type: 'parePauseAfter', word: pause });
          return true;
        }
        if (clip && selection) {
          const [first, last] = ordered(selection);
          void pareWords(first, last);
          return true;
        }
        return false;
      }
      if (key === 'r' || key === 'R') {
        const { pause } = useWorkbench.getState();
        if (clip && pause !== null) putPauseBack(transcript, clip, pause);
        else if (useWorkbench.getState().playing && dropped.length) putLastBack();
        else putBackSelected();
        return true;
      }
      if (key === 's') {
        takeMore(selection);
        return true;
      }
      if (clip && selection && treated(key.toLowerCase(), ordered(selection))) return true;
      if (corrected(key.toLowerCase())) return true;
      if (key === '[' || key === ']') {
        mark(key);
        return true;
      }
      if (key === 'm') {
        void markSelected();
        return true;
      }
      if (key === 'g') {
        gatherSelected();
        return true;
      }
      if (key === 'c' && !clip) {
        makeClip();
        return true;
      }
      if (key === 'j' || key === 'k' || key === 'l') {
        shuttle(key);
        return true;
      }
      if (key === '/') {
        search();
        return true;
      }
      if (key === '?') {
        help();
        return true;
      }
      if (key === ',' || key === '.') {
        const player = current.player;
        if (player) void player.seek(player.position + (key === '.' ? frameUs : -frameUs));
        return true;
      }
      const { pause, gap } = useWorkbench.getState();
      if (key === 'Enter' && clip && gap !== null) {
        document.querySelector<HTMLInputElement>('[data-testid=gap-field] input')?.select();
        return true;
      }
      if (key === 'Enter' && clip && (selection || pause !== null) && !(e.target as HTMLElement).closest('button, a')) {
        const [cut] = pause !== null ? removalsIn(transcript, clip, pause) : removalsNear(clip, ordered(selection!));
        lookAtJoin(clip, cut, selection ? ordered(selection) : null);
        return true;
      }
      if (key.toLowerCase() === 'h' && pause !== null) {
        if (e.shiftKey) current.hear(transcript.endUs[pause], transcript.startUs[pause + 1]);
        else current.hearAround(transcript.endUs[pause], false);
        return true;
      }
      if ((key.toLowerCase() === 'h' || (e.altKey && e.code === 'KeyH')) && selection) {
        const [first, last] = ordered(selection);
        if (e.altKey) current.hearLoop(transcript.startUs[first], transcript.endUs[last]);
        else if (e.shiftKey) current.hear(transcript.startUs[first], transcript.endUs[last]);
        else current.hearAround(transcript.startUs[first], false);
        return true;
      }
      if (key === 'Escape') {
        useWorkbench.setState({ selection: null, pause: null, gap: null, hits: [], carrying: null });
        return true;
      }
      const stage = STAGES[Number(key) - 1];
      if (stage) {
        goTo(stage);
        return true;
      }
      return false;
    };
    const removalsNear = (clip: ClipState, [first, last]: [number, number]) => {
      const from = transcript.startUs[first] - NEAR_US;
      const to = transcript.endUs[last] + NEAR_US;
      return clip.pared.removals.filter((r) => r.span.endUs > from && r.span.startUs < to);
    };
    /** Opens the loupe on a cut; without one, on the seam beside the selected words. */
    const lookAtJoin = (clip: ClipState, cut: Removal | undefined, words: [number, number] | null) => {
      const seam = words
        ? clip.pared.pieces.findIndex(
            (p, place) => place > 0 && (p.from === words[0] || clip.pared.pieces[place - 1].to - 1 === words[1]),
          )
        : -1;
      if (cut) useWorkbench.setState({ loupe: cut.id, seam: null });
      else if (seam > 0) useWorkbench.setState({ seam, loupe: null });
      else useWorkbench.setState({ message: 'Nothing was cut here, so there is no join to look at.' });
    };
    /** Selects the sentence; when that is selected, its paragraph. */
    const takeMore = (selection: { anchor: number; focus: number } | null) => {
      const word = selection ? selection.focus : Math.max(0, here());
      const sentence = sentenceOf(transcript, word);
      const whole = selection && ordered(selection)[0] <= sentence[0] && ordered(selection)[1] >= sentence[1];
      useWorkbench.getState().select(...(whole ? paragraphOf(transcript, word) : sentence));
    };
    const treated = (key: string, [first, last]: [number, number]): boolean => {
      const treatment = TREATMENTS.find((t) => t.key === key);
      if (treatment) void change({ type: 'treatWords', first, last, means: treatment.means });
      else if (key === 'i') void change({ type: 'putGap', word: last, seconds: GAP_SECONDS });
      else if (key === 'd') void partBefore(first, queries);
      else return false;
      return true;
    };
    /** Drops the sentence heard last, or the one being heard, and plays on. */
    const dropSentence = (clip: ClipState, present: boolean) => {
      const flags = cutFlags(transcript, clip.pared.cut);
      const ends = transcript.sentenceEnds;
      const at = ends.findIndex((end) => end > Math.max(0, here()));
      for (let s = present ? at : at - 1; s >= 0; s--) {
        const first = Math.max(clip.pared.firstWord, s === 0 ? 0 : ends[s - 1]);
        const last = Math.min(clip.pared.lastWord, ends[s] - 1);
        if (last < first) return;
        if (!flags.subarray(first, last + 1).every((cut) => cut === 1)) {
          dropped.push([first, last]);
          void pareWords(first, last);
          return;
        }
        if (present) return;
      }
    };
    const putLastBack = () => {
      const [first, last] = dropped.pop()!;
      void change({ type: 'putBackWords', first, last });
    };
    const corrected = (key: string): boolean => {
      const { selection } = useWorkbench.getState();
      if (key === 'n') {
        nextDoubtful();
        return true;
      }
      if (!selection) return false;
      const [first, last] = ordered(selection);
      if (key === 't') startCorrecting(first, last);
      else if (key === 'p') void corrections.correct({ type: 'mark', word: last });
      else if (key === 'u') void corrections.correct({ type: 'capital', word: first });
      else if (key === 'b')
        void corrections.correct({
          type: 'paragraph',
          word: first,
          starts: !transcript.paragraphs.some((p) => p.from === first),
        });
      else if (key === 'a') {
        void corrections.correct({ type: 'accept', word: first });
        if (useWorkbench.getState().playing)
          current.seekEpisode(transcript.startUs[last + 1] ?? transcript.endUs[last]);
        nextDoubtful();
      } else return false;
      return true;
    };
    const nextDoubtful = () => {
      const { selection, select } = useWorkbench.getState();
      const from = selection ? ordered(selection)[1] : here();
      const next = doubtful.find((d) => d.index > from) ?? doubtful[0];
      if (!next) {
        useWorkbench.setState({ message: 'No word is doubtful.' });
        return;
      }
      select(next.index, next.index);
      if (!useWorkbench.getState().playing) current.seekEpisode(transcript.startUs[next.index]);
    };
    const shuttle = (key: string) => {
      const player = current.player;
      if (!player) return;
      const { playing } = useWorkbench.getState();
      if (key === 'k') {
        setRate(1);
        if (playing) togglePlay();
      } else if (playing) stepRate(key === 'l' ? 1 : -1);
      else if (key === 'l') {
        useWorkbench.setState({ playing: true });
        togglePlay();
      } else void player.seek(player.position - SHUTTLE_BACK_US);
    };
    const here = () => wordAt(transcript.startUs, usePlayhead.getState().episodeUs + 1);
    const standOn = (stop: Stop) => {
      const { select, playing } = useWorkbench.getState();
      if (stop.kind === 'word') select(stop.word, stop.word);
      else if (stop.kind === 'pause') useWorkbench.setState({ pause: stop.word, gap: null, selection: null });
      else useWorkbench.setState({ gap: stop.id, pause: null, selection: null });
      if (!playing)
        current.seekEpisode(stop.kind === 'word' ? transcript.startUs[stop.word] : transcript.endUs[stop.word]);
    };
    /** Where the keyboard stands: what is selected, or the word under the playhead. */
    const standing = (): Stop => {
      const { clip, selection, pause, gap } = useWorkbench.getState();
      const inserted = clip?.pared.gaps.find((g) => g.id === gap);
      if (inserted) return { kind: 'gap', word: inserted.word, id: inserted.id };
      if (pause !== null) return { kind: 'pause', word: pause };
      return { kind: 'word', word: selection ? selection.focus : Math.max(0, here()) };
    };
    const step = (by: 1 | -1, extend: boolean, sentence: boolean) => {
      const { selection, select, clip, showStruck } = useWorkbench.getState();
      if (!extend && !sentence) {
        const next = nextStop(transcript, clip, showStruck, standing(), by);
        if (next) standOn(next);
        return;
      }
      const from = standing().word;
      let next = from + by;
      if (sentence) {
        const ends = transcript.sentenceEnds;
        const at = wordAt(ends, from);
        next =
          by > 0
            ? (ends[at + 1] ?? transcript.text.length) - (extend ? 1 : 0)
            : at >= 0 && ends[at] < from
              ? ends[at]
              : (ends[at - 1] ?? 0);
        if (extend && by > 0 && next === from) next = (ends[at + 2] ?? transcript.text.length) - 1;
      }
      next = Math.max(0, Math.min(transcript.text.length - 1, next));
      select(extend && selection ? selection.anchor : next, next);
      if (!useWorkbench.getState().playing) current.seekEpisode(transcript.startUs[next]);
    };
    const mark = (key: string) => {
      const { selection, select } = useWorkbench.getState();
      const word = Math.max(0, here());
      if (key === '[') select(word, selection && selection.focus > word ? selection.focus : word);
      else select(selection && selection.anchor <= word ? selection.anchor : word, word);
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [
    transcript,
    goTo,
    search,
    help,
    makeClip,
    markSelected,
    gatherSelected,
    undo,
    redo,
    corrections,
    doubtful,
    frameUs,
    queries,
  ]);
}
