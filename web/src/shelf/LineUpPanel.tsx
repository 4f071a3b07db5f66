import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';

/** Where an episode's microphones were found to lie, and what of them is heard. */
export function LineUpPanel({ episodeId }: { episodeId: number }) {
  const queries = useQueryClient();
  const sounds = useQuery({ queryKey: ['sounds', episodeId], queryFn: () => api.sounds(episodeId) });
  const [changed, setChanged] = useState<Record<number, { speaker?: string; nudgeUs?: number; heard?: boolean }>>({});
  const [problem, setProblem] = useState('');
  if (!sounds.data?.length) return null;
  const now = sounds.data.map((s) => ({ ...s, ...changed[s.position] }));
  const set = (position: number, change: { speaker?: string; nudgeUs?: number; heard?: boolean }) =>
    setChanged({ ...changed, [position]: { ...changed[position], ...change } });
  const apply = async () => {
    try {
      await api.chooseSounds(
        episodeId,
        now.map((s) => ({ speaker: s.speaker, nudgeUs: s.nudgeUs, heard: s.heard })),
      );
      setChanged({});
      await queries.invalidateQueries({ queryKey: ['shelf'] });
      await queries.invalidateQueries({ queryKey: ['sounds', episodeId] });
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="link text-[12.5px]">{sounds.data.length} microphones</button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[560px]" sideOffset={6} align="start" collisionPadding={12}>
          <p className="text-soft">Lined up with the recording by their sound.</p>
          {now.map((s) => (
            <div key={s.position} className="mt-2 border-t border-rule pt-2">
              <div className="flex items-center gap-3">
                <label className="flex w-44 items-center gap-2 truncate">
                  <input type="checkbox" checked={s.heard} onChange={(e) => set(s.position, { heard: e.target.checked })} /> {s.file}
                </label>
                <input className="field flex-1" placeholder="whose it is" aria-label={`Speaker of ${s.file}`} value={s.speaker} onChange={(e) => set(s.position, { speaker: e.target.value })} />
                <label className="flex items-center gap-1 text-soft">
                  nudge
                  <input
                    type="number"
                    className="field w-20"
                    step={1}
                    aria-label={`Nudge ${s.file}, milliseconds`}
                    value={s.nudgeUs / 1000}
                    onChange={(e) => set(s.position, { nudgeUs: Math.round(Number(e.target.value) * 1000) })}
                  />
                  ms
                </label>
              </div>
              <div className="mt-0.5 pl-6 text-[12.5px] text-soft tabular-nums">
                {s.offsetUs === null
                  ? 'not lined up yet'
                  : placementText(s.offsetUs, s.driftPpm ?? 0, s.agreeing ?? 0)}
              </div>
            </div>
          ))}
          <div className="mt-3 flex items-center justify-between">
            <span className={problem ? 'text-accent' : 'text-soft'}>{problem || (now.some((s) => s.heard) ? 'The ticked ones are heard.' : "The recording's own sound is heard.")}</span>
            <Popover.Close asChild>
              <button className="button button-strong" disabled={!Object.keys(changed).length} onClick={() => void apply()}>
                Make the sound anew
              </button>
            </Popover.Close>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function placementText(offsetUs: number, driftPpm: number, agreeing: number): string {
  const ms = Math.round(offsetUs / 1000);
  const begins = ms === 0 ? 'begins with the recording' : `begins ${(Math.abs(ms) / 1000).toFixed(3)} s ${ms > 0 ? 'after' : 'before'} the recording`;
  const drifts = Math.abs(driftPpm) < 0.5 ? 'no drift' : `${Math.abs(driftPpm).toFixed(1)} parts in a million ${driftPpm > 0 ? 'slow' : 'fast'}`;
  return `${begins}, ${drifts}; ${Math.round(agreeing * 100)} % of the places compared agree`;
}
