import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';

/**
 * Where the fonts lie that captions are drawn from; null until that is known.
 *
 * @param large files that a clip's captions need besides those that all do
 */
export function useCaptionFonts(large: string[] | undefined): string[] | null {
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity });
  const files = letterings.data?.files;
  const more = large?.join(' ') ?? '';
  return useMemo(
    () => files?.concat(more ? more.split(' ') : []).map((file) => `/lettering-fonts/${file}`) ?? null,
    [files, more],
  );
}
