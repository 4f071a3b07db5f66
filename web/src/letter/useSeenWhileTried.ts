import { useEffect } from 'react';
import type { Cue } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { usePlayhead } from '../plate/playhead';
import { useTriedStyle } from './triedStyle';

/** What is tried is seen: where no caption stands at the playhead, it goes to the one that is told of. */
export function useSeenWhileTried(cue: Cue | undefined) {
  const playback = usePlayback();
  useEffect(
    () =>
      useTriedStyle.subscribe((now, before) => {
        if (!cue || !now.style || before.style || playback.isPlaying) return;
        const at = usePlayhead.getState().programmeUs;
        const { startUs, endUs } = cue.span;
        if (at < startUs || at >= endUs) playback.seek((startUs + endUs) / 2);
      }),
    [cue, playback],
  );
}
