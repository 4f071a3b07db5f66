import { useRef, useState } from 'react';
import { Search } from 'lucide-react';
import { api } from '../api/client';
import { keyFor, keyName } from '../keyboard/keyMap';
import { useWorkbench } from '../workbench/store';

/** The bar over the galley: what the stage puts there, and the search. */
export function GalleyBar({
  searchField,
  episodeId,
  left,
}: {
  searchField: React.RefObject<HTMLInputElement | null>;
  episodeId: number;
  left: React.ReactNode;
}) {
  const hits = useWorkbench((s) => s.hits);
  const hit = useWorkbench((s) => s.hit);
  const [phrase, setPhrase] = useState('');
  const wanted = useRef('');
  const find = async (text: string) => {
    wanted.current = text;
    setPhrase(text);
    const found = text.trim() ? await api.search(episodeId, text) : [];
    if (wanted.current !== text) return;
    // A late answer that says the same must not take the reader back to the first hit.
    const same = JSON.stringify(found) === JSON.stringify(useWorkbench.getState().hits);
    useWorkbench.setState((s) => ({ hits: found, hit: same ? s.hit : 0 }));
  };
  const move = (by: number) => useWorkbench.setState({ hit: hits.length ? (hit + by + hits.length) % hits.length : 0 });
  return (
    <div className="flex min-h-[46px] shrink-0 flex-wrap items-center gap-x-3 gap-y-1.5 border-b border-rule px-5 py-1.5">
      {left}
      <div className="ml-auto flex items-center gap-3">
        <label className="flex items-center gap-1.5 text-soft">
          <Search size={14} aria-hidden="true" />
          <input
            ref={searchField}
            className="field w-[150px]"
            placeholder={`Find  ( ${keyName(keyFor('/'))} )`}
            aria-label="Find in the transcript"
            value={phrase}
            onChange={(e) => void find(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') move(e.shiftKey ? -1 : 1);
              if (e.key === 'Escape') {
                void find('');
                e.currentTarget.blur();
              }
            }}
          />
          <span className="w-[52px] text-[12px] tabular-nums" data-testid="hits">
            {phrase.trim() ? (hits.length ? `${hit + 1} of ${hits.length}` : 'none') : ''}
          </span>
        </label>
      </div>
    </div>
  );
}
