import { useEffect } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Present } from '../api/client';

/** What this window calls itself. */
const WINDOW = Array.from(crypto.getRandomValues(new Uint8Array(8)), (b) => b.toString(16).padStart(2, '0')).join('');
const AGAIN_MS = 15_000;

const isThisWindow = (p: Present) => p.window.endsWith(`/${WINDOW}`);

const leave = () => void api.present({ window: WINDOW, episodeId: null, clipId: null }).catch(() => undefined);

/** Says what this window shows, and again and again while it does. */
export function usePresence(episodeId: number, clipId: number | null) {
  useEffect(() => {
    const say = () => void api.present({ window: WINDOW, episodeId, clipId }).catch(() => undefined);
    say();
    const again = setInterval(say, AGAIN_MS);
    return () => clearInterval(again);
  }, [episodeId, clipId]);
  // Not from clip to clip: what was said last might arrive first.
  useEffect(() => {
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, []);
}

/** Other windows that show the episode. */
export function useOthers(episodeId: number): Present[] {
  const all = useQuery({ queryKey: ['presence'], queryFn: api.presence }).data;
  return all?.filter((p) => p.episodeId === episodeId && !isThisWindow(p)) ?? [];
}
