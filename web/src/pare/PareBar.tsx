import { memo, useEffect, useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type PauseChoice, type Spec, type Way } from '../api/client';
import { secondsText } from '../ui/time';
import { useCalm } from '../ui/useCalm';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';
import { FillersPanel } from './FillersPanel';
import { FitPanel } from './FitPanel';
import { RepeatsPanel } from './RepeatsPanel';
import { VersionsPanel } from './VersionsPanel';

const PRESETS: [string, PauseChoice][] = [
  ['Airy', { thresholdDb: -40, shortest: 0.8, head: 0.05, tail: 0.3 }],
  ['Natural', { thresholdDb: -38, shortest: 0.5, head: 0.02, tail: 0.15 }],
  ['Tight', { thresholdDb: -36, shortest: 0.3, head: 0.01, tail: 0.1 }],
];

/** What could still go is counted once no edit has come for this long. */
const CALM_MS = 300;

/**
 * What the machine can find to pare: counted before anything is cut.
 *
 * @param quietBelowDb below which level this recording is quiet; a loud room raises the presets to it
 */
export const PareBar = memo(function PareBar({
  clip,
  specs,
  quietBelowDb,
}: {
  clip: ClipState;
  specs: Spec[];
  quietBelowDb: number;
}) {
  const { change } = useChanges();
  const inRoom = (preset: PauseChoice) => ({
    ...preset,
    thresholdDb: Math.max(preset.thresholdDb, Math.round(quietBelowDb)),
  });
  const [toFit] = useState(() => useWorkbench.getState().toOpen === 'fit');
  useEffect(() => useWorkbench.setState({ toOpen: null }), []);
  const [chosen, setChoice] = useState<PauseChoice | null>(null);
  const choice = chosen ?? inRoom(PRESETS[1][1]);
  const revision = useCalm(clip.revision, clip.id, CALM_MS);
  const found = useQuery({
    queryKey: ['prospects', clip.id, revision, choice],
    queryFn: () => api.prospects(clip.id, choice),
    gcTime: 0,
    placeholderData: (before) => before,
  });
  const by = (way: Way) => found.data?.find((p) => p.way === way);
  const pauses = by('PAUSES');
  const fillers = by('SURE_FILLERS');
  const repeats = by('REPEATS');
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <Panel name="Pauses" count={pauses?.count} testId="pauses" width="w-[330px]">
        <div className="flex gap-2">
          {PRESETS.map(([name, preset]) => (
            <button
              key={name}
              className="button flex-1"
              aria-pressed={JSON.stringify(inRoom(preset)) === JSON.stringify(choice)}
              onClick={() => setChoice(inRoom(preset))}
            >
              {name}
            </button>
          ))}
        </div>
        <div className="mt-3 grid grid-cols-2 gap-3">
          <Exact
            label="quiet is below"
            unit="dBFS"
            step={1}
            value={choice.thresholdDb}
            onChange={(thresholdDb) => setChoice({ ...choice, thresholdDb })}
          />
          <Exact
            label="shortest pause"
            unit="s"
            step={0.05}
            value={choice.shortest}
            onChange={(shortest) => setChoice({ ...choice, shortest })}
          />
          <Exact
            label="room before speech"
            unit="s"
            step={0.01}
            value={choice.head}
            onChange={(head) => setChoice({ ...choice, head })}
          />
          <Exact
            label="room after speech"
            unit="s"
            step={0.01}
            value={choice.tail}
            onChange={(tail) => setChoice({ ...choice, tail })}
          />
        </div>
        {quietBelowDb > PRESETS[1][1].thresholdDb && (
          <p className="mt-2 text-[12.5px] text-soft" data-testid="loud-room">
            The room of this recording is loud: its pauses lie below {Math.round(quietBelowDb)} dBFS, so the presets
            begin there.
          </p>
        )}
        <div className="mt-3 flex items-center justify-between">
          <span data-testid="pause-count">
            {pauses ? `${pauses.count} pause${pauses.count === 1 ? '' : 's'}, ${secondsText(pauses.us)}` : 'counting'}
          </span>
          <Popover.Close asChild>
            <button
              className="button button-strong"
              disabled={!pauses?.count}
              onClick={() => void change({ type: 'parePauses', ...choice })}
            >
              Pare them
            </button>
          </Popover.Close>
        </div>
        {found.isError && <p className="mt-2 text-accent">{(found.error as Error).message}</p>}
      </Panel>
      <Panel name="Fillers" count={fillers?.count} testId="fillers" width="w-[360px]">
        <FillersPanel clip={clip} sureUs={fillers?.us ?? 0} />
      </Panel>
      <Panel name="Repeats" count={repeats?.count} testId="repeats" width="w-[460px]">
        <RepeatsPanel clip={clip} repeatsUs={repeats?.us ?? 0} open={repeats?.count ?? 0} />
      </Panel>
      <Panel name="Fit" testId="fit" width="w-[380px]" first={toFit}>
        <FitPanel clip={clip} specs={specs} />
      </Panel>
      <Panel name="Versions" testId="versions" width="w-[480px]">
        <VersionsPanel clip={clip} />
      </Panel>
    </div>
  );
});

function Panel({
  name,
  count,
  testId,
  width,
  first = false,
  children,
}: {
  name: string;
  count?: number;
  testId: string;
  width: string;
  /** Whether it stands open to begin with. */
  first?: boolean;
  children: React.ReactNode;
}) {
  return (
    <Popover.Root defaultOpen={first}>
      <Popover.Trigger asChild>
        <button className="button" data-testid={testId}>
          {name} {count !== undefined && <b className={count ? 'text-accent' : 'text-faint'}>{count}</b>}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className={`panel ${width} max-h-[600px] overflow-y-auto`}
          sideOffset={6}
          align="start"
          collisionPadding={12}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Exact({
  label,
  unit,
  value,
  step,
  onChange,
}: {
  label: string;
  unit: string;
  value: number;
  step: number;
  onChange: (n: number) => void;
}) {
  return (
    <label>
      <span className="label">{label}</span>
      <span className="mt-0.5 flex items-center gap-1.5">
        <input
          type="number"
          className="field"
          step={step}
          value={value}
          onChange={(e) => e.target.value !== '' && onChange(Number(e.target.value))}
        />
        <span className="text-soft">{unit}</span>
      </span>
    </label>
  );
}
