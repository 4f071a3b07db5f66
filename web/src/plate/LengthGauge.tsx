import { memo } from 'react';
import type { ClipState, Spec } from '../api/client';
import { clock, secondsText } from '../ui/time';

const LONG_US = 120_000_000;

/** Seconds, or minutes and seconds where there are many. */
const lengthText = (us: number) => (us > LONG_US ? clock(us) : us % 1_000_000 ? secondsText(us) : `${us / 1e6} s`);

/** The present length against what was picked and against the limits of the specs asked for. */
export const LengthGauge = memo(function LengthGauge({ clip, specs }: { clip: ClipState; specs: Spec[] }) {
  const asked = specs.filter((s) => clip.delivered.specs.includes(s.id));
  const limits = asked.length ? asked : specs.filter((s) => s.id === 'vertical-60');
  const nearest = [...limits].sort((a, b) => a.length.longestUs - b.length.longestUs)[0];
  const aim = nearest.length.longestUs - nearest.length.marginUs;
  const scale = Math.max(clip.pared.originalUs, clip.pared.lengthUs, aim * 1.05);
  const share = (us: number) => `${Math.min(100, (us / scale) * 100)}%`;
  const soonest = [...limits]
    .sort((a, b) => a.length.longestUs - b.length.longestUs)
    .filter((l, i, all) => i === 0 || l.length.longestUs !== all[i - 1].length.longestUs);
  return (
    <div className="mt-4" data-testid="gauge">
      <div className="flex justify-between text-[12px]">
        <b className="tabular-nums" data-testid="length">
          {secondsText(clip.pared.lengthUs)}
        </b>
        <span className="text-soft tabular-nums">
          {clip.pared.originalUs >= clip.pared.lengthUs
            ? `${secondsText(clip.pared.originalUs - clip.pared.lengthUs)} ${clip.pared.speed > 1 ? `less, at ${clip.pared.speed.toFixed(3)} ×` : 'pared'}`
            : `${secondsText(clip.pared.lengthUs - clip.pared.originalUs)} more`}
        </span>
      </div>
      <div className="relative mt-1 h-2 rounded-full bg-rule">
        <div
          className="hatched absolute inset-y-0 left-0 rounded-full"
          style={{ width: share(clip.pared.originalUs) }}
        />
        <div
          className="absolute inset-y-0 left-0 rounded-full bg-steel"
          style={{ width: share(clip.pared.lengthUs) }}
        />
        {soonest
          .filter((l) => l.length.longestUs - l.length.marginUs <= scale)
          .map((l) => (
            <div
              key={l.id}
              className="absolute -inset-y-1.5 w-[2px] bg-accent"
              style={{ left: share(l.length.longestUs - l.length.marginUs) }}
            />
          ))}
      </div>
      <ul className="mt-1.5 text-[12px] text-soft" aria-label="Limits of the specs asked for">
        {soonest.map((l) => {
          const aim = l.length.longestUs - l.length.marginUs;
          const names = limits
            .filter((x) => x.length.longestUs === l.length.longestUs)
            .map((x) => x.name)
            .join(', ');
          return (
            <li key={l.id} className="flex justify-between gap-3">
              <span className="truncate" title={names}>
                {names}
              </span>
              <span className="shrink-0 tabular-nums">
                {clip.pared.lengthUs > aim ? (
                  <b className="text-accent">
                    {secondsText(clip.pared.lengthUs - aim)} over {(aim / 1e6).toFixed(0)} s
                  </b>
                ) : (
                  `${lengthText(aim - clip.pared.lengthUs)} left of ${lengthText(aim)}`
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </div>
  );
});
