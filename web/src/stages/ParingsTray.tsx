import { useState } from 'react';
import type { ClipState } from '../api/client';
import { clock, secondsText } from '../ui/time';
import { Play } from 'lucide-react';
import { current } from '../plate/player';
import { change } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';

const NAMES: Record<string, string> = { PAUSE: 'Pauses', FILLER: 'Fillers', REPEAT: 'Repeats', BY_HAND: 'By hand' };

/** Everything that was taken out, by reason; each piece and each reason can come back. */
export function ParingsTray({ clip }: { clip: ClipState }) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <section className="mt-4 border-t border-rule pt-3" data-testid="parings">
      <h2 className="label">Parings</h2>
      {clip.parings.length === 0 && (
        <p className="mt-2 text-soft">Nothing yet. Select words and press Backspace, or let the pauses and fillers be found.</p>
      )}
      {clip.parings.map((p) => (
        <div key={p.reason} className="border-b border-rule py-1.5">
          <div className="flex items-center gap-3">
            <button
              className="flex-1 text-left font-medium"
              aria-expanded={open === p.reason}
              onClick={() => setOpen(open === p.reason ? null : p.reason)}
            >
              {NAMES[p.reason]}
            </button>
            <span className="w-8 text-right tabular-nums">{p.count}</span>
            <span className="w-14 text-right tabular-nums">{secondsText(p.us)}</span>
            <button className="link" onClick={() => void change({ type: 'putBackReason', reason: p.reason })}>
              put back
            </button>
          </div>
          {open === p.reason && (
            <ul className="mt-1 max-h-52 overflow-y-auto">
              {clip.removals
                .filter((r) => r.reason === p.reason)
                .map((r) => (
                  <li key={r.id} className="flex items-center gap-2 py-0.5 text-[13px]">
                    <button className="rounded p-0.5 text-soft hover:text-accent" aria-label={`Hear what was cut at ${clock(r.span.startUs)}`} onClick={() => current.hear(r.span.startUs, r.span.endUs)}>
                      <Play size={12} />
                    </button>
                    <button className="w-10 text-left text-soft tabular-nums hover:text-accent" title="Play over this cut" onClick={() => current.hearAround(r.span.startUs - 1, false)}>
                      {clock(r.span.startUs)}
                    </button>
                    <span className="flex-1 truncate font-serif">{r.text || 'pause'}</span>
                    <span className="text-soft tabular-nums">{secondsText(r.span.endUs - r.span.startUs)}</span>
                    <button className="link" onClick={() => useWorkbench.setState({ loupe: r.id })}>
                      loupe
                    </button>
                    <button className="link" onClick={() => void change({ type: 'putBackRemovals', ids: [r.id] })}>
                      put back
                    </button>
                  </li>
                ))}
            </ul>
          )}
        </div>
      ))}
    </section>
  );
}
