import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Corrections } from '../workbench/corrections';

/** A spelling that was corrected alike twice, proposed for the show's glossary. */
export function GlossaryProposal({ episodeId, corrections }: { episodeId: number; corrections: Corrections }) {
  const queries = useQueryClient();
  const [left, setLeft] = useState<string[]>([]);
  const entries = useQuery({ queryKey: ['glossary', episodeId], queryFn: () => api.glossary(episodeId) });
  const proposed = entries.data?.find((g) => !g.accepted && !left.includes(g.heard + g.written));
  if (!proposed) return null;
  const accept = async () => {
    await api.acceptSpelling(episodeId, proposed.heard, proposed.written);
    await queries.invalidateQueries({ queryKey: ['glossary', episodeId] });
    await corrections.correct({ type: 'replaceAll', phrase: proposed.heard, text: proposed.written, except: [] });
  };
  return (
    <div
      className="flex items-center gap-4 border-b border-rule bg-desk px-5 py-1.5 text-[13px]"
      role="status"
      data-testid="glossary-proposal"
    >
      <span>
        “{proposed.heard}” was corrected to “{proposed.written}” {proposed.times} times.
      </span>
      <button className="link" onClick={() => void accept()}>
        Always write it so in this show
      </button>
      <button className="link text-soft" onClick={() => setLeft([...left, proposed.heard + proposed.written])}>
        No
      </button>
    </div>
  );
}
