import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type PauseChoice } from '../api/client';
import { secondsText } from '../ui/time';
import { change } from '../workbench/changes';

const PRESETS: [string, PauseChoice][] = [
  ['Airy', { thresholdDb: -40, shortest: 0.8, head: 0.05, tail: 0.3 }],
  ['Natural', { thresholdDb: -38, shortest: 0.5, head: 0.02, tail: 0.15 }],
  ['Tight', { thresholdDb: -36, shortest: 0.3, head: 0.01, tail: 0.1 }],
];

/** What the machine can find to pare: counted before anything is cut. */
export function PareBar({ clip }: { clip: ClipState }) {
  const [choice, setChoice] = useState<PauseChoice>(PRESETS[1][1]);
  const found = useQuery({
    queryKey: ['prospects', clip.id, clip.revision, choice],
    queryFn: () => api.prospects(clip.id, choice),
    placeholderData: (before) => before,
  });
  const p = found.data;
  return (
    <div className="flex items-center gap-2">
      <Popover.Root>
        <Popover.Trigger asChild>
          <button className="button" data-testid="pauses">
            Pauses <b className="text-accent">{p?.pauses ?? ''}</b>
          </button>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content className="panel w-[330px]" sideOffset={6} align="start">
            <div className="flex gap-2">
              {PRESETS.map(([name, preset]) => (
                <button
                  key={name}
                  className="button flex-1"
                  aria-pressed={JSON.stringify(preset) === JSON.stringify(choice)}
                  onClick={() => setChoice(preset)}
                >
                  {name}
                </button>
              ))}
            </div>
            <div className="mt-3 grid grid-cols-2 gap-3">
              <Exact label="quiet is below" unit="dBFS" step={1} value={choice.thresholdDb} onChange={(thresholdDb) => setChoice({ ...choice, thresholdDb })} />
              <Exact label="shortest pause" unit="s" step={0.05} value={choice.shortest} onChange={(shortest) => setChoice({ ...choice, shortest })} />
              <Exact label="room before speech" unit="s" step={0.01} value={choice.head} onChange={(head) => setChoice({ ...choice, head })} />
              <Exact label="room after speech" unit="s" step={0.01} value={choice.tail} onChange={(tail) => setChoice({ ...choice, tail })} />
            </div>
            <div className="mt-3 flex items-center justify-between">
              <span data-testid="pause-count">
                {p ? `${p.pauses} pause${p.pauses === 1 ? '' : 's'}, ${secondsText(p.pausesUs)}` : 'counting'}
              </span>
              <Popover.Close asChild>
                <button
                  className="button button-strong"
                  disabled={!p?.pauses}
                  onClick={() => void change({ type: 'parePauses', ...choice })}
                >
                  Pare them
                </button>
              </Popover.Close>
            </div>
            {found.isError && <p className="mt-2 text-accent">{(found.error as Error).message}</p>}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      <button
        className="button"
        disabled={!p?.sureFillers}
        title={p ? `${secondsText(p.sureFillersUs)} in ums and uhs; ${p.doubtfulFillers} doubtful ones stay` : ''}
        onClick={() => void change({ type: 'pareFillers' })}
        data-testid="fillers"
      >
        Fillers <b className="text-accent">{p?.sureFillers ?? ''}</b>
      </button>
    </div>
  );
}

function Exact({ label, unit, value, step, onChange }: { label: string; unit: string; value: number; step: number; onChange: (n: number) => void }) {
  return (
    <label>
      <span className="label">{label}</span>
      <span className="mt-0.5 flex items-center gap-1.5">
        <input type="number" className="field" step={step} value={value} onChange={(e) => e.target.value !== '' && onChange(Number(e.target.value))} />
        <span className="text-soft">{unit}</span>
      </span>
    </label>
  );
}
