import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';

/** Asks the server to change something: what it refuses is told, and what is known under a key is asked for anew. */
export function useAsking(key: string) {
  const queries = useQueryClient();
  const [problem, setProblem] = useState('');
  const ask = async (act: () => Promise<unknown>) => {
    try {
      await act();
      setProblem('');
    } catch (error) {
      setProblem((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: [key] });
  };
  return { problem, ask };
}
