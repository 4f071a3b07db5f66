import { useCallback } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import { gather } from '../pick/gathered';
import type { OpenEpisode } from './stageView';
import { ordered, useWorkbench } from './store';
import { joined } from '../ui/spacing';

/** What makes something of the words that are selected. */
export function useMakingClips({ id, item, transcript }: OpenEpisode) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const keepWords = useCallback(
    async (first: number, last: number, open: boolean, title = '') => {
      try {
        const made = await api.createClip(id, first, last, title);
        await queries.invalidateQueries({ queryKey: ['clips', id] });
        useWorkbench.setState({ selection: null, message: open ? null : `Kept: ${made.delivered.title}` });
        if (open) navigate(`/episodes/${id}/pare?clip=${made.id}`);
      } catch (error) {
        useWorkbench.setState({ message: (error as Error).message });
      }
    },
    [id, navigate, queries],
  );
  const makeClip = useCallback(() => {
    const selection = useWorkbench.getState().selection;
    if (selection) void keepWords(...ordered(selection), true);
  }, [keepWords]);
  const markSelected = useCallback(async () => {
    const selection = useWorkbench.getState().selection;
    if (!selection || !transcript) return;
    const [first, last] = ordered(selection);
    const { startUs, endUs } = transcript;
    await api.addMark(id, { startUs: startUs[first], endUs: endUs[last], state: 'MARKED', title: '', note: '' });
    await queries.invalidateQueries({ queryKey: ['marks', id] });
    useWorkbench.setState({ message: null });
  }, [id, queries, transcript]);
  const episode = item?.title;
  const gatherSelected = useCallback(() => {
    const selection = useWorkbench.getState().selection;
    if (!selection || !transcript || episode === undefined) return;
    const [first, last] = ordered(selection);
    gather({
      episodeId: id,
      episode,
      firstWord: first,
      lastWord: last,
      startUs: transcript.startUs[first],
      lengthUs: transcript.endUs[last] - transcript.startUs[first],
      text: joined(transcript.text.slice(first, last + 1)),
    });
    useWorkbench.setState({ message: `Gathered: ${last - first + 1} words. They wait under Pick, Gathered.` });
  }, [id, episode, transcript]);
  return { keepWords, makeClip, markSelected, gatherSelected };
}
