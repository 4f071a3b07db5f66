import { useEffect, useEffectEvent } from 'react';
import type { TranscriptColumns } from '../api/client';
import { usePlayhead } from '../plate/playhead';
import { wordAt } from './setLines';

/** Marks the word being said without rendering anything anew. */
export function useSpokenWord(
  scroller: React.RefObject<HTMLDivElement | null>,
  transcript: TranscriptColumns,
  changed: (word: number) => void,
) {
  const report = useEffectEvent(changed);
  useEffect(() => {
    let last = -1;
    const show = (us: number) => {
      const word = wordAt(transcript.startUs, us);
      const root = scroller.current;
      if (!root) return;
      const element = root.querySelector(`[data-w="${word}"]`);
      const before = root.querySelector('.word.spoken');
      if (before !== element) {
        before?.classList.remove('spoken');
        element?.classList.add('spoken');
      }
      if (word !== last) {
        last = word;
        report(word);
      }
    };
    show(usePlayhead.getState().episodeUs);
    return usePlayhead.subscribe((s) => show(s.episodeUs));
  }, [scroller, transcript]);
}
