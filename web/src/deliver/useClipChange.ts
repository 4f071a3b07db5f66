import { useRef } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, type Intent } from '../api/client';
import { useWorkbench } from '../workbench/store';

const FOLLOWING = ['sheet', 'clips', 'covers', 'post'];

/**
 * Changes a clip that is not open: one change after another, each upon whatever the clip is by then. For choices that
 * stand by themselves, not for texts that somebody may have written meanwhile.
 */
export function useClipChange(clipId: number): (intent: Intent) => Promise<void> {
  const queries = useQueryClient();
  const last = useRef<Promise<void>>(Promise.resolve());
  const send = async (intent: Intent) => {
    try {
      const { revision } = await api.clip(clipId);
      await api.change(clipId, revision, intent);
    } catch (error) {
      useWorkbench.setState({ message: (error as Error).message });
    }
    await Promise.all(FOLLOWING.map((key) => queries.invalidateQueries({ queryKey: [key] })));
  };
  return (intent) => {
    last.current = last.current.then(() => send(intent));
    return last.current;
  };
}
