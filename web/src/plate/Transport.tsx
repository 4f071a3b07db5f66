import { useEffect, useRef } from 'react';
import { Pause, Play } from 'lucide-react';
import { clockTenths } from '../ui/time';
import { useWorkbench } from '../workbench/store';
import { togglePlay } from './player';
import { usePlayhead } from './playhead';

/** Play and pause, the time played and the whole length. */
export function Transport({ lengthUs }: { lengthUs: number }) {
  const playing = useWorkbench((s) => s.playing);
  const played = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const show = (us: number) => {
      if (played.current) played.current.textContent = clockTenths(us);
    };
    show(usePlayhead.getState().programmeUs);
    return usePlayhead.subscribe((s) => show(s.programmeUs));
  }, []);
  return (
    <div className="mt-3 flex items-center justify-center gap-4 tabular-nums">
      <span ref={played} className="w-16 text-right text-soft" data-testid="played" />
      <button
        className="grid h-9 w-9 place-items-center rounded-full bg-ink text-paper"
        aria-label={playing ? 'Pause (space)' : 'Play (space)'}
        onClick={() => {
          useWorkbench.setState({ playing: !playing });
          togglePlay();
        }}
      >
        {playing ? <Pause size={16} fill="currentColor" /> : <Play size={16} fill="currentColor" className="ml-0.5" />}
      </button>
      <span className="w-16 text-soft">{clockTenths(lengthUs)}</span>
    </div>
  );
}
