import { useEffect, useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { PatternFields } from './PatternFields';

/** How the show's files are named: a pattern, with a name of this episode by it while it is typed. */
export function NamePatternField({ episodeId }: { episodeId: number }) {
  const queries = useQueryClient();
  const field = useRef<HTMLInputElement>(null);
  const kept = useQuery({ queryKey: ['names', episodeId], queryFn: () => api.names(episodeId) }).data;
  const [typed, setTyped] = useState<string | null>(null);
  const [told, setTold] = useState<{ example: string; problem: string }>({ example: '', problem: '' });
  useEffect(() => {
    if (typed === null) return;
    let latest = true;
    api.nameExamples(episodeId, typed).then(
      (made) => latest && setTold({ example: made.examples[0] ?? '', problem: '' }),
      (error: Error) => latest && setTold({ example: '', problem: error.message }),
    );
    return () => {
      latest = false;
    };
  }, [typed, episodeId]);
  if (!kept) return null;
  const pattern = typed ?? kept.pattern;
  const finish = async () => {
    if (typed === null || told.problem) return;
    try {
      queries.setQueryData(['names', episodeId], await api.keepNames(episodeId, typed));
      await queries.invalidateQueries({ queryKey: ['sheet'] });
      setTyped(null);
    } catch (error) {
      setTold({ example: '', problem: (error as Error).message });
    }
  };
  return (
    <div className="mt-3 grid gap-1">
      <label className="label" htmlFor="name-pattern">
        Names of this show’s files
      </label>
      <input
        id="name-pattern"
        ref={field}
        className="field text-[12.5px]"
        value={pattern}
        maxLength={200}
        aria-invalid={told.problem !== ''}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => void finish()}
        onKeyDown={(e) => {
          if (e.key === 'Enter') void finish();
          if (e.key === 'Escape') setTyped(null);
        }}
      />
      <PatternFields fields={kept.fields} pattern={pattern} typedIn={field} onTyped={setTyped} />
      {typed !== null && (
        <p className={`text-[12px] break-all ${told.problem ? 'text-accent' : 'text-soft'}`} aria-live="polite">
          {told.problem || told.example}
        </p>
      )}
    </div>
  );
}
