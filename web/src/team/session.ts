import { useQuery } from '@tanstack/react-query';
import { api, type Session } from '../api/client';

/** Who looks at the page; until that is known, nobody in particular. */
export function useSession(): Session | undefined {
  return useQuery({ queryKey: ['session'], queryFn: api.session, staleTime: Infinity }).data;
}
