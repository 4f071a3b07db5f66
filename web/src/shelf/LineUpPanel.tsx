import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';

/** Where an episode's cameras and microphones were found to lie, and what of them is heard. */
export function LineUpPanel({ episodeId }: { episodeId: number }) {
  const queries = useQueryClient();
  const sounds = useQuery({ queryKey: ['sounds', episodeId], queryFn: () => api.sounds(episodeId) });
  const [changed, setChanged] = useState<Record<number, { speaker?: string; nudgeUs?: number; heard?: boolean }>>({});
  const [listened, setListened] = useState<number | null | undefined>(undefined);
  const [problem, setProblem] = useState('');
  if (!sounds.data?.separate.length) return null;
  const listensTo = listened === undefined ? sounds.data.listened : listened;
  const now = sounds.data.separate.map((s) => ({ ...s, ...changed[s.position] }));
  const soundChanges = Object.values(changed).some((c) => c.heard !== undefined || c.nudgeUs !== undefined);
  const set = (position: number, change: { speaker?: string; nudgeUs?: number; heard?: boolean }) =>
    setChanged({ ...changed, [position]: { ...changed[position], ...change } });
  const apply = async () => {
    try {
      await api.chooseSounds(episodeId, {
        separate: now.map((s) => ({ speaker: s.speaker, nudgeUs: s.nudgeUs, heard: s.heard })),
        listened: listensTo,
      });
      setChanged({});
      setListened(undefined);
      await queries.invalidateQueries({ queryKey: ['shelf'] });
      await queries.invalidateQueries({ queryKey: ['sounds', episodeId] });
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="link text-[12.5px]">
          {now.length === 1 ? '1 more recording' : `${now.length} more recordings`}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[560px]" sideOffset={6} align="start" collisionPadding={12}>
          <p className="text-soft">Lined up with the recording by their sound.</p>
          {now.map((s) => (
            <div key={s.position} className="mt-2 border-t border-rule pt-2">
              <div className="flex items-center gap-3">
                <label className="flex w-44 items-center gap-2 truncate">
                  <input
                    type="checkbox"
                    checked={s.heard}
                    onChange={(e) => set(s.position, { heard: e.target.checked })}
                  />{' '}
                  {s.file}
                </label>
                <input
                  className="field flex-1"
                  placeholder="whose it is"
                  aria-label={`Speaker of ${s.file}`}
                  value={s.speaker}
                  onChange={(e) => set(s.position, { speaker: e.target.value })}
                />
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
                {s.offsetUs === null ? 'not lined up yet' : placementText(s.offsetUs, s.driftPpm ?? 0, s.agreeing ?? 0)}
              </div>
            </div>
          ))}
          <label className="mt-3 flex items-center gap-2 border-t border-rule pt-3">
            <span className="text-soft">Words are listened for in</span>
            <select
              className="field w-56"
              value={listensTo ?? ''}
              onChange={(e) => setListened(e.target.value === '' ? null : Number(e.target.value))}
            >
              <option value="">what is heard</option>
              <option value={-1}>the recording's own sound</option>
              {now.map((s) => (
                <option key={s.position} value={s.position}>
                  {s.file}
                </option>
              ))}
            </select>
            <span className="text-[12.5px] text-soft">from the next listening on</span>
          </label>
          <div className="mt-3 flex items-center justify-between">
            <span className={problem ? 'text-accent' : 'text-soft'}>
              {problem ||
                (now.some((s) => s.heard) ? 'The ticked ones are heard.' : "The recording's own sound is heard.")}
            </span>
            <Popover.Close asChild>
              <button
                className="button button-strong"
                disabled={!Object.keys(changed).length && listened === undefined}
                onClick={() => void apply()}
              >
                {soundChanges ? 'Make the sound anew' : 'Keep'}
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
  const begins =
    ms === 0
      ? 'begins with the recording'
      : `begins ${(Math.abs(ms) / 1000).toFixed(3)} s ${ms > 0 ? 'after' : 'before'} the recording`;
  const drifts =
    Math.abs(driftPpm) < 0.5
      ? 'no drift'
      : `${Math.abs(driftPpm).toFixed(1)} parts in a million ${driftPpm > 0 ? 'slow' : 'fast'}`;
  return `${begins}, ${drifts}; ${Math.round(agreeing * 100)} % of the places compared agree`;
}
