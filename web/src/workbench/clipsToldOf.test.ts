import { QueryClient } from '@tanstack/react-query';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ClipState } from '../api/client';
import { ClipsToldOf } from './clipsToldOf';
import { useWorkbench } from './store';

const clip = (id: number, revision: number) =>
  ({ id, revision, title: `clip ${id} as of ${revision}` }) as unknown as ClipState;

describe('what the server tells of clips', () => {
  const queries = new QueryClient();
  const fetchAnew = vi.spyOn(queries, 'invalidateQueries');
  const listed = () => queries.getQueryData<ClipState[]>(['clips', 1]);
  let told: ClipsToldOf;

  beforeEach(() => {
    fetchAnew.mockClear();
    queries.setQueryData(['clips', 1], [clip(7, 3), clip(8, 1)]);
    useWorkbench.setState({ clip: clip(7, 3), saving: 0 });
    told = new ClipsToldOf(queries);
  });

  it('is not fetched where it is what this window did', () => {
    useWorkbench.setState({ saving: 1 });
    told.hear({ episodeId: 1, clipId: 7, revision: 4 });
    expect(listed()?.[0].revision).toBe(3);
    useWorkbench.setState({ clip: clip(7, 4), saving: 0 });
    told.settle();
    expect(fetchAnew).not.toHaveBeenCalled();
    expect(listed()?.map((c) => c.revision)).toEqual([4, 1]);
  });

  it('is fetched where another window did it, at once or once all answers are here', () => {
    told.hear({ episodeId: 1, clipId: 7, revision: 4 });
    expect(fetchAnew).toHaveBeenCalledWith({ queryKey: ['clips', 1] });
    fetchAnew.mockClear();
    useWorkbench.setState({ saving: 2 });
    told.hear({ episodeId: 1, clipId: 7, revision: 6 });
    told.hear({ episodeId: 1, clipId: 7, revision: 5 });
    expect(fetchAnew).not.toHaveBeenCalled();
    useWorkbench.setState({ clip: clip(7, 5), saving: 0 });
    told.settle();
    expect(fetchAnew).toHaveBeenCalledTimes(1);
    fetchAnew.mockClear();
    told.settle();
    expect(fetchAnew).not.toHaveBeenCalled();
  });

  it('is fetched for a clip that is not open here', () => {
    told.hear({ episodeId: 1, clipId: 8, revision: 2 });
    expect(fetchAnew).toHaveBeenCalledTimes(1);
  });
});
