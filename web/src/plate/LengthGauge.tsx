import type { ClipState, Spec } from '../api/client';
import { secondsText } from '../ui/time';

/** The present length against what was picked and against the limits of the specs asked for. */
export function LengthGauge({ clip, specs }: { clip: ClipState; specs: Spec[] }) {
  const asked = specs.filter((s) => clip.specs.includes(s.id));
  const limits = asked.length ? asked : specs.filter((s) => s.id === 'vertical-60');
  const nearest = [...limits].sort((a, b) => a.longestUs - b.longestUs)[0];
  const aim = nearest.longestUs - nearest.marginUs;
  const scale = Math.max(clip.originalUs, aim * 1.05);
  const share = (us: number) => `${Math.min(100, (us / scale) * 100)}%`;
  const over = clip.lengthUs > aim;
  return (
    <div className="mt-4" data-testid="gauge">
      <div className="flex justify-between text-[12px]">
        <b className="tabular-nums" data-testid="length">
          {secondsText(clip.lengthUs)}
        </b>
        <span className="text-soft tabular-nums">{secondsText(clip.originalUs - clip.lengthUs)} {clip.speed > 1 ? `less, at ${clip.speed.toFixed(3)} ×` : 'pared'}</span>
      </div>
      <div className="relative mt-1 h-2 rounded-full bg-rule">
        <div className="hatched absolute inset-y-0 left-0 rounded-full" style={{ width: share(clip.originalUs) }} />
        <div className="absolute inset-y-0 left-0 rounded-full bg-steel" style={{ width: share(clip.lengthUs) }} />
        <div className="absolute -inset-y-1.5 w-[2px] bg-accent" style={{ left: share(aim) }} />
      </div>
      <div className="mt-1.5 text-right text-[12px] text-soft">
        {over ? (
          <b className="text-accent">{secondsText(clip.lengthUs - aim)} over {(aim / 1e6).toFixed(0)} s for {nearest.name}</b>
        ) : (
          <>
            {(aim / 1e6).toFixed(0)} s for {nearest.name}
          </>
        )}
      </div>
    </div>
  );
}
