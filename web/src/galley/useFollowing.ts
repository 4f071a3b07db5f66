import { useEffect, useRef, useState } from 'react';
import type { TranscriptColumns } from '../api/client';
import { useReading } from '../workbench/reading';
import { useWorkbench } from '../workbench/store';
import { useSpokenWord } from './useSpokenWord';
import type { Scroller, VirtualPage } from './useVirtualPage';

/** The page goes along with what plays until somebody scrolls away, and comes back when asked to. */
export function useFollowing(
  scroller: Scroller,
  virtual: VirtualPage,
  rowOf: Int32Array,
  transcript: TranscriptColumns,
) {
  const following = useRef(true);
  const [wandered, setWandered] = useState(false);
  const spoken = useRef(-1);
  const keepInView = (word: number) => {
    const row = rowOf[word] ?? -1;
    if (row >= 0) keepRowInView(scroller.current!, virtual, row);
  };
  useSpokenWord(scroller, transcript, (word) => {
    spoken.current = word;
    if (following.current && useReading.getState().follow && useWorkbench.getState().playing) keepInView(word);
  });
  const wander = () => {
    if (!useWorkbench.getState().playing || !useReading.getState().follow) return;
    following.current = false;
    setWandered(true);
  };
  const comeBack = () => {
    following.current = true;
    setWandered(false);
    keepInView(spoken.current);
  };
  useEffect(
    () =>
      useWorkbench.subscribe((s) => {
        if (s.playing) return;
        following.current = true;
        setWandered(false);
      }),
    [],
  );
  return { wandered, wander, comeBack };
}

function keepRowInView(element: HTMLElement, virtual: VirtualPage, row: number) {
  const place = virtual.getOffsetForIndex(row, 'start')?.[0] ?? 0;
  const top = element.scrollTop;
  if (place < top + 40 || place > top + element.clientHeight * 0.7) {
    virtual.scrollToIndex(row, { align: 'start' });
    element.scrollTop = Math.max(0, place - element.clientHeight * 0.25);
  }
}
