import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Mark } from '../api/client';
import { wordAt } from '../galley/setLines';

/** The producer's marks of an episode. */
export function useMarks(episodeId: number): Mark[] {
  return useQuery({ queryKey: ['marks', episodeId], queryFn: () => api.marks(episodeId) }).data ?? [];
}

/** Fetches the marks anew after something was done to them. */
export function useFreshMarks(episodeId: number) {
  const queries = useQueryClient();
  return () => queries.invalidateQueries({ queryKey: ['marks', episodeId] });
}

/** The words a stretch of time covers, by index, both included. */
export function wordsOf(startUs: number[], stretchStart: number, stretchEnd: number): [number, number] {
  const at = wordAt(startUs, stretchStart);
  const first = at < 0 || startUs[at] < stretchStart - 300_000 ? at + 1 : at;
  return [Math.max(0, first), Math.max(first, wordAt(startUs, stretchEnd - 1))];
}
