import { useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { PatternFields } from './PatternFields';

/** How the texts of the show's clips are proposed: a pattern with fields, kept when it is left. */
export function PostPatternField({ episodeId }: { episodeId: number }) {
  const queries = useQueryClient();
  const field = useRef<HTMLTextAreaElement>(null);
  const key = ['postPattern', episodeId];
  const kept = useQuery({ queryKey: key, queryFn: () => api.postPattern(episodeId) }).data;
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  if (!kept) return null;
  const pattern = typed ?? kept.pattern;
  const finish = async () => {
    if (typed === null) return;
    try {
      queries.setQueryData(key, await api.keepPostPattern(episodeId, typed));
      setTyped(null);
      setProblem('');
      await Promise.all(['post', 'sheet'].map((shown) => queries.invalidateQueries({ queryKey: [shown] })));
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <details className="text-[12.5px]">
      <summary className="cursor-pointer text-soft">How this show’s texts are proposed</summary>
      <textarea
        ref={field}
        aria-label="Pattern of this show’s texts"
        className="field mt-1 min-h-[64px] text-[12.5px] leading-snug"
        value={pattern}
        maxLength={1000}
        aria-invalid={problem !== ''}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => void finish()}
        onKeyDown={(e) => {
          if (e.key !== 'Escape') return;
          setTyped(null);
          setProblem('');
        }}
      />
      <PatternFields fields={kept.fields} pattern={pattern} typedIn={field} onTyped={setTyped} />
      {problem && (
        <p role="alert" className="mt-1 text-accent">
          {problem}
        </p>
      )}
    </details>
  );
}
