import { memo, useEffect, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Cleanup, type ClipState } from '../api/client';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';

/** Measuring waits until the producer pauses. */
const SETTLE_MS = 1_200;
const LONGEST_UNASKED_US = 600_000_000;

const WAYS: [keyof Cleanup, string, string][] = [
  ['hum', 'hum', 'Mains hum and rumble are taken out'],
  ['noise', 'noise', 'Steady noise is held down'],
  ['even', 'evenness', 'Soft and loud speech come nearer together'],
  ['sibilance', 's sounds', 'Sharp s sounds are softened'],
];

/** What is done to the voice, heard with and without it, and how loud the clip is against its target. */
export const SoundPanel = memo(function SoundPanel({ clip }: { clip: ClipState }) {
  const { change } = useChanges();
  const asRecorded = useWorkbench((s) => s.asRecorded);
  const cleaned = WAYS.some(([way]) => clip.sounded.cleanup[way]);
  const [settled, setSettled] = useState(clip.revision);
  useEffect(() => {
    const wait = setTimeout(() => setSettled(clip.revision), SETTLE_MS);
    return () => clearTimeout(wait);
  }, [clip.revision]);
  const [anyLength, setAnyLength] = useState(false);
  const measures = anyLength || clip.pared.lengthUs < LONGEST_UNASKED_US;
  const loudness = useQuery({
    queryKey: ['loudness', clip.id, settled],
    queryFn: () => api.loudness(clip.id),
    enabled: measures,
    placeholderData: (before) => before,
    staleTime: Infinity,
  });
  return (
    <section className="mt-4 border-t border-rule pt-3" data-testid="sound" aria-label="Sound">
      <div className="flex items-center justify-between">
        <h2 className="label">Voice clean-up</h2>
        <label className={`flex items-center gap-1.5 text-[12.5px] ${cleaned ? 'text-soft' : 'invisible'}`}>
          <input
            type="checkbox"
            className="accent-[var(--steel)]"
            checked={asRecorded}
            onChange={(e) => useWorkbench.setState({ asRecorded: e.target.checked })}
            data-testid="as-recorded"
          />
          hear it as recorded
        </label>
      </div>
      <div className="mt-1.5 flex gap-1.5">
        {WAYS.map(([way, name, does]) => (
          <button
            key={way}
            className="button flex-1 px-1 text-[12.5px]"
            aria-pressed={clip.sounded.cleanup[way]}
            title={does}
            onClick={() => {
              useWorkbench.setState({ asRecorded: false });
              void change((now) => ({ type: 'cleanUp', ...now.sounded.cleanup, [way]: !now.sounded.cleanup[way] }));
            }}
          >
            {name}
          </button>
        ))}
      </div>
      {!measures && (
        <button className="link mt-2 text-[12.5px]" onClick={() => setAnyLength(true)}>
          measure its loudness
        </button>
      )}
      {loudness.data && <LoudnessLine {...loudness.data} />}
      {loudness.isError && <p className="mt-2 text-[12.5px] text-accent">{(loudness.error as Error).message}</p>}
    </section>
  );
});

const LOWEST = -40;

/** The clip's loudness on a scale with its target. */
function LoudnessLine({
  lufs,
  truePeakDbtp,
  targetLufs,
  ceilingDbtp,
  gainDb,
}: {
  lufs: number;
  truePeakDbtp: number;
  targetLufs: number;
  ceilingDbtp: number;
  gainDb: number;
}) {
  const place = (value: number) => `${Math.max(0, Math.min(100, ((value - LOWEST) / -LOWEST) * 100))}%`;
  if (lufs <= -70) return <p className="mt-2 text-[12.5px] text-soft">Nothing is heard in this clip.</p>;
  return (
    <div className="mt-2.5" data-testid="loudness">
      <div className="relative h-1.5 rounded-full bg-rule">
        <div className="absolute inset-y-0 left-0 rounded-full bg-steel" style={{ width: place(lufs) }} />
        <div className="absolute -inset-y-1 w-[2px] bg-accent" style={{ left: place(targetLufs) }} title="target" />
      </div>
      <div className="mt-1 flex justify-between text-[12px] text-soft tabular-nums">
        <span>
          <b className="text-ink">{lufs.toFixed(1)}</b> LUFS, peak {truePeakDbtp.toFixed(1)} dBTP
        </span>
        <span title={`No true peak above ${ceilingDbtp} dBTP`}>
          {gainDb <= -0.05 ? '−' : '+'}
          {Math.abs(gainDb).toFixed(1)} dB to {targetLufs}
        </span>
      </div>
    </div>
  );
}
