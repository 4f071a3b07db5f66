import { useEffect, useMemo, useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Brief } from '../api/client';
import { usePainted } from '../ui/painted';
import { useCalm } from '../ui/useCalm';
import type { OpenEpisode } from './stageView';
import { useWorkbench, type Stage } from './store';

/** Edits that follow one another quicker than this are previewed together. */
const CALM_MS = 120;

const NO_LEVELS = new Uint8Array();

/** Fetches what is open, the text first; what takes the server long waits for it. */
export function useOpenEpisode(id: number, clipId: number | null, stage: Stage) {
  const [asked, setBrief] = useState<Brief | null>(null);
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
  const item = shelf.data?.find((e) => e.id === id) ?? null;
  const ready = item?.playable ?? false;
  const settled = item?.state === 'READY';
  useFreshAfterArrival(id, item !== null, ready, settled);
  const episode = useQuery({ queryKey: ['episode', id], queryFn: () => api.episode(id), enabled: ready });
  const transcript = useQuery({ queryKey: ['transcript', id], queryFn: () => api.transcript(id) });
  const readable = usePainted(transcript.data !== undefined);
  const doubtful = useQuery({ queryKey: ['doubtful', id], queryFn: () => api.doubtful(id), enabled: readable });
  const levels = useQuery({
    queryKey: ['levels', id, episode.data?.madeAt],
    queryFn: () => api.levels(id, episode.data!.madeAt),
    enabled: ready && episode.data !== undefined,
    staleTime: Infinity,
  });
  const specs = useQuery({ queryKey: ['specs'], queryFn: api.specs, staleTime: Infinity });
  const clips = useQuery({
    queryKey: ['clips', id],
    queryFn: () => api.clips(id),
    enabled: ready && (readable || clipId !== null),
    structuralSharing: false,
  });
  const keptBrief = useQuery({ queryKey: ['brief', id], queryFn: () => api.brief(id), staleTime: Infinity });
  const brief = asked ?? keptBrief.data ?? null;
  const picks = useQuery({
    queryKey: ['picks', id, brief, transcript.data?.revision],
    queryFn: () => api.picks(id, brief!),
    enabled: ready && readable && stage === 'pick' && brief !== null,
    placeholderData: (before) => before,
    staleTime: Infinity,
  });

  const held = useWorkbench((s) => s.clip);
  const clip = held && held.id === clipId ? held : null;
  useEffect(() => {
    const found = clips.data?.find((c) => c.id === clipId) ?? null;
    const open = useWorkbench.getState().clip;
    if (!found || open?.id !== found.id || (found.revision > open.revision && useWorkbench.getState().saving === 0)) {
      useWorkbench.setState({ clip: found });
    }
  }, [clips.data, clipId]);

  const playing = useWorkbench((s) => s.playing);
  const shownRevision = useCalm(clip?.revision, clip?.id, playing ? 0 : CALM_MS);
  const preview = useQuery({
    queryKey: ['preview', clip?.id, shownRevision],
    queryFn: () => api.preview(clip!.id),
    enabled: clip !== null,
    staleTime: Infinity,
    gcTime: 0,
    structuralSharing: false,
    placeholderData: (before) => (clip ? before : undefined),
  });
  const cues = useQuery({
    queryKey: ['cues', clip?.id, shownRevision],
    queryFn: () => api.cues(clip!.id),
    enabled: clip !== null && stage === 'letter',
    staleTime: Infinity,
    gcTime: 0,
    placeholderData: (before) => (clip ? before : undefined),
  });

  const shownPreview = clip ? (preview.data ?? null) : null;
  const shownCues = clip && stage === 'letter' ? (cues.data ?? null) : null;
  const open: OpenEpisode = useMemo(
    () => ({
      id,
      item,
      card: episode.data ?? null,
      transcript: transcript.data ?? null,
      clips: clips.data ?? [],
      clip,
      preview: shownPreview,
      cues: shownCues,
      specs: specs.data ?? null,
      brief,
      picks: picks.data ?? null,
      picksError: picks.error,
    }),
    [
      id,
      item,
      episode.data,
      transcript.data,
      clips.data,
      clip,
      shownPreview,
      shownCues,
      specs.data,
      brief,
      picks.data,
      picks.error,
    ],
  );
  return {
    open,
    setBrief,
    levels: levels.data ?? NO_LEVELS,
    doubtful: doubtful.data ?? [],
    settled,
    shelfError: shelf.error,
    isOnShelf: item !== null || shelf.data === undefined,
    transcriptError: transcript.error,
  };
}

/** What came with the episode may have been timed, or made, while it was taken in. */
function useFreshAfterArrival(id: number, known: boolean, ready: boolean, settled: boolean) {
  const queries = useQueryClient();
  const notYet = useRef({ playable: false, whole: false });
  useEffect(() => {
    if (!known) return;
    if ((ready && notYet.current.playable) || (settled && notYet.current.whole)) {
      for (const key of ['transcript', 'doubtful', 'episode', 'picks', 'misfits', 'clips'])
        void queries.invalidateQueries({ queryKey: [key, id] });
    }
    notYet.current = { playable: !ready, whole: !settled };
  }, [known, ready, settled, id, queries]);
}
