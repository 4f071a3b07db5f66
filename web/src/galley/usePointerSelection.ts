import { useEffect } from 'react';
import type { TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { useChanges } from '../workbench/changes';
import { ordered, useWorkbench } from '../workbench/store';
import { paragraphOf, sentenceOf, SHORTEST_PAUSE_US, wordAt } from './setLines';

/** A click goes to a word; a drag selects from word to word. */
export function usePointerSelection(scroller: React.RefObject<HTMLDivElement | null>, transcript: TranscriptColumns) {
  const playback = usePlayback();
  const { change } = useChanges();
  useEffect(() => {
    const root = scroller.current!;
    let anchor = -1;
    let dragged = false;
    let carried = false;
    let target = -1;
    const showTarget = (word: number) => {
      root.querySelector('.drop-before')?.classList.remove('drop-before');
      if (word >= 0) root.querySelector(`[data-w="${word}"]`)?.classList.add('drop-before');
      target = word;
    };
    const wordUnder = (e: PointerEvent): number => {
      const under = document.elementFromPoint(e.clientX, e.clientY);
      const element = under?.closest<HTMLElement>('[data-w]');
      if (element) return Number(element.dataset.w);
      const us = spineTime(under, e.clientY);
      return us === null ? -1 : wordAt(transcript.startUs, us);
    };
    /** The time a place on the spine stands for; null beside it. */
    const spineTime = (under: Element | null, y: number): number | null => {
      const spine = under?.closest<HTMLElement>('[data-spine]');
      if (!spine) return null;
      const box = spine.getBoundingClientRect();
      const [startUs, endUs] = spine.dataset.spine!.split('-').map(Number);
      return startUs + ((y - box.top) / box.height) * (endUs - startUs);
    };
    const down = (e: PointerEvent) => {
      const inserted = (e.target as HTMLElement).closest('[data-gap]') as HTMLElement | null;
      if (inserted && e.button === 0) {
        useWorkbench.setState({ gap: Number(inserted.dataset.gap), pause: null, selection: null });
        return;
      }
      const paused = (e.target as HTMLElement).closest('[data-pause]') as HTMLElement | null;
      if (paused && e.button === 0) {
        useWorkbench.setState({ pause: Number(paused.dataset.pause), gap: null, selection: null });
        playback.seekEpisode(transcript.endUs[Number(paused.dataset.pause)]);
        return;
      }
      const word = wordUnder(e);
      if (word < 0 || e.button !== 0) return;
      const us = spineTime(e.target as Element, e.clientY);
      const gap = word + 1 < transcript.startUs.length ? transcript.startUs[word + 1] - transcript.endUs[word] : 0;
      if (us !== null && us > transcript.endUs[word] && gap >= SHORTEST_PAUSE_US) {
        useWorkbench.setState({ pause: word, gap: null, selection: null });
        playback.seekEpisode(transcript.endUs[word]);
        return;
      }
      const chosen = useWorkbench.getState().selection;
      if (e.shiftKey && chosen) {
        useWorkbench.getState().select(chosen.anchor, word);
        return;
      }
      anchor = word;
      dragged = false;
      const held = chosen && ordered(chosen);
      carried =
        !!held && held[1] > held[0] && word >= held[0] && word <= held[1] && useWorkbench.getState().clip !== null;
    };
    const move = (e: PointerEvent) => {
      if (anchor < 0 || !(e.buttons & 1)) return;
      const word = wordUnder(e);
      if (carried) {
        const [first, last] = ordered(useWorkbench.getState().selection!);
        dragged = true;
        showTarget(word >= 0 && (word < first || word > last) ? word : -1);
        return;
      }
      if (word >= 0 && (dragged || word !== anchor)) {
        dragged = true;
        useWorkbench.getState().select(anchor, word);
      }
    };
    const up = () => {
      if (carried && dragged) {
        const [first, last] = ordered(useWorkbench.getState().selection!);
        if (target >= 0) void change({ type: 'moveWords', first, last, before: target });
        showTarget(-1);
        anchor = -1;
        carried = false;
        return;
      }
      carried = false;
      if (anchor >= 0 && !dragged) {
        useWorkbench.getState().select(anchor, anchor);
        playback.seekEpisode(transcript.startUs[anchor]);
      }
      anchor = -1;
    };
    /** The second click takes the sentence, the third the paragraph. */
    const more = (e: MouseEvent) => {
      const word = Number((e.target as HTMLElement).closest<HTMLElement>('[data-w]')?.dataset.w ?? -1);
      if (word < 0 || e.detail < 2 || e.shiftKey) return;
      useWorkbench
        .getState()
        .select(...(e.detail === 2 ? sentenceOf(transcript, word) : paragraphOf(transcript, word)));
    };
    root.addEventListener('click', more);
    root.addEventListener('pointerdown', down);
    root.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    return () => {
      root.removeEventListener('click', more);
      root.removeEventListener('pointerdown', down);
      root.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
    };
  }, [scroller, transcript, playback, change]);
}
