import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';

/** Keeps what is shown fresh: the server says what has moved, the queries fetch it again. */
export function useServerEvents() {
  const queries = useQueryClient();
  useEffect(() => {
    const source = new EventSource('/api/events');
    source.addEventListener('shelf', () => {
      queries.invalidateQueries({ queryKey: ['shelf'] });
    });
    source.addEventListener('clips', () => {
      queries.invalidateQueries({ queryKey: ['clips'] });
      queries.invalidateQueries({ queryKey: ['sheet'] });
    });
    source.addEventListener('renderings', () => {
      queries.invalidateQueries({ queryKey: ['sheet'] });
    });
    return () => source.close();
  }, [queries]);
}
