import type { QueryClient } from '@tanstack/react-query';
import type { ClipState } from '../api/client';
import { useWorkbench } from './store';

/** What the server tells of a clip that was changed, in whichever window. */
export interface ClipTold {
  episodeId: number;
  clipId: number;
  revision: number;
}

/**
 * Keeps the list of clips fresh. What came of this window's own changes is known from their answers, so that
 * only what another window did is fetched: the list of a long episode is large.
 */
export class ClipsToldOf {
  private readonly newest = new Map<number, ClipTold>();

  constructor(private readonly queries: QueryClient) {}

  hear(told: ClipTold) {
    const before = this.newest.get(told.clipId);
    if (!before || before.revision < told.revision) this.newest.set(told.clipId, told);
    this.settle();
  }

  /** Looks at what was told once this window waits for no answer of its own. */
  settle() {
    const { saving, clip } = useWorkbench.getState();
    if (saving > 0) return;
    for (const { episodeId, clipId, revision } of this.newest.values()) {
      const key = ['clips', episodeId];
      if (clip && clip.id === clipId && clip.revision >= revision) {
        this.queries.setQueryData<ClipState[]>(key, (listed) => listed?.map((c) => (c.id === clipId ? clip : c)));
      } else void this.queries.invalidateQueries({ queryKey: key });
    }
    this.newest.clear();
  }
}
