import { useQuery } from '@tanstack/react-query';
import { api, type ClipState } from '../api/client';

/** Where the captions of a clip stand, and how well they stand out; null until it is known. */
export function useCaptionStanding(clip: ClipState) {
  const standing = useQuery({
    queryKey: ['captionStanding', clip.id, clip.revision],
    queryFn: () => api.captionStanding(clip.id),
    staleTime: Infinity,
    gcTime: 30_000,
    placeholderData: (before) => before,
  });
  return standing.data ?? null;
}
