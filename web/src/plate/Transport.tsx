import { useEffect, useRef, type ReactNode } from 'react';
import { Pause, Play } from 'lucide-react';
import { clockTenths } from '../ui/time';
import { useWorkbench } from '../workbench/store';
import { RATES } from './player';
import { usePlayback } from './Playback';
import { usePlayhead } from './playhead';

/** Play and pause, the time played and the whole length. */
export function Transport({
  lengthUs,
  speed,
  narrow,
  children,
}: {
  lengthUs: number;
  speed: number;
  narrow: boolean;
  /** At its left end. */
  children?: ReactNode;
}) {
  const playback = usePlayback();
  const playing = useWorkbench((s) => s.playing);
  const rate = useWorkbench((s) => s.rate);
  const played = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const show = (us: number) => {
      if (played.current) played.current.textContent = clockTenths(us / speed);
    };
    show(usePlayhead.getState().programmeUs);
    return usePlayhead.subscribe((s) => show(s.programmeUs));
  }, [speed]);
  return (
    <div className="relative mt-3 flex items-center justify-center gap-[5%] tabular-nums">
      {children}
      <span ref={played} className="w-14 text-right text-soft" data-testid="played" />
      <button
        className="grid h-9 w-9 place-items-center rounded-full bg-ink text-paper"
        aria-label={playing ? 'Pause (space)' : 'Play (space)'}
        onClick={() => {
          useWorkbench.setState({ playing: !playing });
          playback.toggle();
        }}
      >
        {playing ? <Pause size={16} fill="currentColor" /> : <Play size={16} fill="currentColor" className="ml-0.5" />}
      </button>
      <span className="w-14 text-soft">{!narrow && clockTenths(lengthUs)}</span>
      <select
        className="absolute right-0 rounded bg-transparent py-1 text-[12.5px] text-soft"
        aria-label="Playing speed"
        value={rate}
        onChange={(e) => setRate(Number(e.target.value))}
      >
        {RATES.map((r) => (
          <option key={r} value={r}>
            {r} ×
          </option>
        ))}
      </select>
    </div>
  );
}

/** Plays faster or slower from now on. */
export function setRate(rate: number) {
  useWorkbench.setState({ rate });
}

/** The next faster or slower speed. */
export function stepRate(by: number) {
  const at = RATES.indexOf(useWorkbench.getState().rate);
  setRate(RATES[Math.max(0, Math.min(RATES.length - 1, at + by))]);
}
