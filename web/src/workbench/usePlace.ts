import { useEffect } from 'react';
import { wordAt } from '../galley/setLines';
import { usePlayback } from '../plate/Playback';
import { usePlayhead } from '../plate/playhead';
import { useReading } from './reading';
import { useWorkbench } from './store';

/** Comes back to where the player was left, or goes to the moment in the address. */
export function usePlace(episodeId: number, at: string | null, startUs: number[] | null) {
  const playback = usePlayback();
  const ready = startUs !== null;
  useEffect(() => {
    if (!ready || !startUs?.length) return;
    const wanted = at !== null ? Number(at) : useReading.getState().places[episodeId];
    if (!wanted) return;
    const word = wordAt(startUs, wanted + 1);
    if (word >= 0) useWorkbench.getState().select(word, word);
    const seek = setInterval(() => {
      if (!playback.isReady) return;
      clearInterval(seek);
      playback.seekEpisode(wanted);
    }, 200);
    return () => clearInterval(seek);
    // Once, when the text is there.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [episodeId, at, ready]);
  useEffect(() => {
    const keep = () =>
      useReading.setState((s) => ({ places: { ...s.places, [episodeId]: usePlayhead.getState().episodeUs } }));
    const every = setInterval(keep, 5_000);
    return () => {
      clearInterval(every);
      keep();
    };
  }, [episodeId]);
}
