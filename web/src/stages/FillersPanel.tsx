import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery } from '@tanstack/react-query';
import { Play } from 'lucide-react';
import { api, type ClipState } from '../api/client';
import { current } from '../plate/player';
import { clock, secondsText } from '../ui/time';
import { change } from '../workbench/changes';

/** Every filler of the clip: the sure ones in one go, the doubtful ones by ear. */
export function FillersPanel({ clip, sureUs }: { clip: ClipState; sureUs: number }) {
  const found = useQuery({ queryKey: ['fillers', clip.id, clip.revision], queryFn: () => api.fillers(clip.id), placeholderData: (before) => before });
  const [ticked, setTicked] = useState<Set<number>>(new Set());
  const sure = found.data?.filter((f) => f.sure) ?? [];
  const doubtful = found.data?.filter((f) => !f.sure) ?? [];
  const chosen = [...ticked].filter((first) => found.data?.some((f) => f.first === first));
  const list = (fillers: typeof sure) =>
    fillers.map((f) => (
      <li key={f.first} className="flex items-center gap-2 py-0.5">
        <input
          type="checkbox"
          aria-label={`${f.text} at ${clock(f.startUs)}`}
          checked={ticked.has(f.first)}
          onChange={() => setTicked((before) => (before.has(f.first) ? new Set([...before].filter((x) => x !== f.first)) : new Set(before).add(f.first)))}
        />
        <button className="rounded p-0.5 text-soft hover:text-accent" aria-label={`Hear ${f.text} at ${clock(f.startUs)}`} onClick={() => current.hear(f.startUs - 400_000, f.endUs + 400_000)}>
          <Play size={12} />
        </button>
        <span className="w-12 text-[12px] text-faint tabular-nums">{clock(f.startUs)}</span>
        <span className="flex-1 font-serif text-[15px]">{f.text}</span>
        <span className="text-[12px] text-soft tabular-nums">{secondsText(f.endUs - f.startUs)}</span>
      </li>
    ));
  return (
    <>
      <div className="flex items-center justify-between">
        <span>{sure.length ? `${sure.length} sure, ${secondsText(sureUs)}` : 'No sure fillers are left.'}</span>
        <Popover.Close asChild>
          <button className="button button-strong" disabled={!sure.length} onClick={() => void change({ type: 'pareFillers' })} data-testid="pare-sure-fillers">
            Pare the sure ones
          </button>
        </Popover.Close>
      </div>
      <ul className="mt-2 max-h-40 overflow-y-auto">{list(sure)}</ul>
      {doubtful.length > 0 && (
        <>
          <div className="label mt-3">Doubtful: only sometimes a filler</div>
          <ul className="mt-1 max-h-48 overflow-y-auto">{list(doubtful)}</ul>
        </>
      )}
      <button className="button mt-3" disabled={!chosen.length} onClick={() => void change({ type: 'pareChosenFillers', first: chosen })}>
        Pare the {chosen.length || ''} ticked
      </button>
    </>
  );
}
