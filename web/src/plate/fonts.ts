import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';

/** Where the fonts lie that captions are drawn from; null until that is known. */
export function useCaptionFonts(): string[] | null {
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity });
  const files = letterings.data?.files;
  return useMemo(() => files?.map((file) => `/lettering-fonts/${file}`) ?? null, [files]);
}
