import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type Spec, type Way } from '../api/client';
import { secondsText } from '../ui/time';
import { useChanges } from '../workbench/changes';

const WAYS: Record<Way, [one: string, many: string]> = {
  PAUSES: ['pause of half a second or more', 'pauses of half a second and more'],
  SURE_FILLERS: ['um or uh', 'ums and uhs'],
  REPEATS: ['attempt said again', 'attempts said again'],
  TIGHTER_PAUSES: ['shorter pause too', 'shorter pauses too'],
  DOUBTFUL_FILLERS: ['doubtful filler', 'doubtful fillers'],
  SPEED: ['play a little faster', 'play a little faster'],
};

const nameOf = (s: { kind: Way; taken: number; found: number }) => WAYS[s.kind][s.found === 1 ? 0 : 1];

/** What can still go to fit a length, the least harm first; each step is taken or left. */
export function FitPanel({ clip, specs }: { clip: ClipState; specs: Spec[] }) {
  const { change } = useChanges();
  const asked = specs.filter((s) => clip.delivered.specs.includes(s.id));
  const nearest = [...(asked.length ? asked : specs.filter((s) => s.id === 'vertical-60'))].sort(
    (a, b) => a.length.longestUs - b.length.longestUs,
  )[0];
  const aim = nearest ? (nearest.length.longestUs - nearest.length.marginUs) / 1e6 : 58;
  const [seconds, setSeconds] = useState(aim);
  const [left, setLeft] = useState<Set<string>>(new Set());
  const plan = useQuery({
    queryKey: ['fit', clip.id, clip.revision, seconds, [...left].sort().join()],
    queryFn: () => api.fit(clip.id, seconds * 1e6, [...left]),
    enabled: seconds >= 1,
    placeholderData: (before) => before,
  });
  const p = plan.data;
  const needed = p?.steps.filter((s) => s.needed) ?? [];
  const taken = needed.filter((s) => !left.has(s.kind));
  return (
    <>
      <label className="flex items-center gap-2">
        Make it
        <input
          type="number"
          className="field w-24"
          min={1}
          step={1}
          value={seconds}
          aria-label="Seconds to fit"
          onChange={(e) => setSeconds(Number(e.target.value))}
        />
        s{nearest && <span className="text-soft">for {nearest.name}</span>}
      </label>
      {p && p.lengthUs <= p.targetUs && <p className="mt-3 text-soft">It fits: {secondsText(p.lengthUs)}.</p>}
      {p && p.lengthUs > p.targetUs && (
        <>
          <p className="mt-3 text-soft">
            {secondsText(p.lengthUs - p.targetUs)} must go.{' '}
            {p.fits ? 'The least harm first:' : 'All this is not enough; strike words as well.'}
          </p>
          <ul className="mt-2" data-testid="fit-steps">
            {needed.map((s) => (
              <li key={s.kind} className="flex items-center gap-2 border-b border-rule py-1.5">
                <input
                  type="checkbox"
                  aria-label={nameOf(s)}
                  checked={!left.has(s.kind)}
                  onChange={() =>
                    setLeft((before) =>
                      before.has(s.kind)
                        ? new Set([...before].filter((x) => x !== s.kind))
                        : new Set(before).add(s.kind),
                    )
                  }
                />
                <span className="flex-1">
                  {s.kind !== 'SPEED' && (
                    <span className="tabular-nums">
                      {s.taken < s.found ? `${s.taken} of ${s.found} ` : `${s.found} `}
                    </span>
                  )}
                  {nameOf(s)}
                  {s.kind === 'SPEED' && <b className="ml-1.5 tabular-nums">{p.speed.toFixed(3)} ×</b>}
                </span>
                <span className="w-16 text-right text-soft tabular-nums">{secondsText(s.gainUs)}</span>
                <span className={`w-16 text-right tabular-nums ${s.declined ? 'text-faint' : ''}`}>
                  {secondsText(s.lengthAfterUs)}
                </span>
              </li>
            ))}
          </ul>
          <div className="mt-3 flex justify-end">
            <Popover.Close asChild>
              <button
                className="button button-strong"
                disabled={!taken.length}
                data-testid="fit-now"
                onClick={() =>
                  void change({ type: 'fit', targetUs: Math.round(seconds * 1e6), ways: taken.map((s) => s.kind) })
                }
              >
                Fit it
              </button>
            </Popover.Close>
          </div>
        </>
      )}
      {clip.pared.speed > 1 && (
        <p className="mt-3 flex items-center justify-between border-t border-rule pt-2">
          Plays at {clip.pared.speed.toFixed(3)} ×, at the same pitch
          <button className="link" onClick={() => void change({ type: 'setSpeed', speed: 1 })}>
            as spoken
          </button>
        </p>
      )}
    </>
  );
}
