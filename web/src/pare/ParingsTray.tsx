import { memo, useState } from 'react';
import type { ClipState, Means, Removal } from '../api/client';
import { clock, secondsText } from '../ui/time';
import { Play } from 'lucide-react';
import { usePlayback } from '../plate/Playback';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';
import { ShownKey } from '../keyboard/ShownKey';

const KEPT_TIME: [Means, string][] = [
  ['ROOM_TONE', 'Room tone'],
  ['MUTE', 'Muted'],
  ['CAPTIONS_ONLY', 'Uncaptioned'],
];

/** Everything that was taken out, by reason; each piece and each reason can be heard and can come back. */
export const ParingsTray = memo(function ParingsTray({ clip }: { clip: ClipState }) {
  const { change } = useChanges();
  const [open, setOpen] = useState<string | null>(null);
  const [filter, setFilter] = useState('');
  const wanted = (r: Removal) =>
    !filter.trim() || (r.text || 'pause').toLowerCase().includes(filter.trim().toLowerCase());
  const shown = clip.pared.removals.filter(wanted);
  const treated = KEPT_TIME.map(([means, name]) => ({
    means,
    name,
    rows: shown.filter((r) => r.means === means),
  })).filter((t) => t.rows.length);
  const toggle = (key: string) => setOpen(open === key ? null : key);
  return (
    <section className="mt-4 border-t border-rule pt-3" data-testid="parings" aria-label="Parings">
      <div className="flex items-center justify-between gap-3">
        <h2 className="label">Parings</h2>
        {clip.pared.removals.length > 4 && (
          <input
            className="field w-36 py-0.5 text-[12.5px]"
            placeholder="with these words"
            aria-label="Show only parings with these words"
            value={filter}
            onChange={(e) => setFilter(e.target.value)}
          />
        )}
      </div>
      {clip.pared.removals.length > 0 && (
        <p className="mt-1 text-[12.5px] text-soft tabular-nums" data-testid="parings-total">
          {secondsText(clip.pared.lengthUs)} of {secondsText(clip.pared.originalUs)}
        </p>
      )}
      {clip.pared.removals.length === 0 && clip.pared.gaps.length === 0 && (
        <p className="mt-2 text-soft">
          Nothing yet. Select words and press <ShownKey ours="Backspace" />, or let the pauses and fillers be found.
        </p>
      )}
      {clip.pared.parings.map((p) => {
        const rows = shown.filter((r) => r.reason === p.reason && r.means === 'CUT');
        if (filter.trim() && !rows.length) return null;
        const us = filter.trim() ? rows.reduce((sum, r) => sum + r.span.endUs - r.span.startUs, 0) : p.us;
        return (
          <Group
            key={p.reason}
            name={p.called}
            rows={rows}
            count={filter.trim() ? rows.length : p.count}
            us={us}
            open={open === p.reason}
            onOpen={() => toggle(p.reason)}
            onBack={filter.trim() ? undefined : () => void change({ type: 'putBackReason', reason: p.reason })}
          />
        );
      })}
      {treated.map((t) => (
        <Group
          key={t.means}
          name={t.name}
          rows={t.rows}
          count={t.rows.length}
          us={null}
          open={open === t.means}
          onOpen={() => toggle(t.means)}
        />
      ))}
      {clip.pared.gaps.length > 0 && !filter.trim() && (
        <div className="border-b border-rule py-1.5">
          <div className="flex items-center gap-3">
            <span className="flex-1 font-medium">Gaps put in</span>
            <span className="w-8 text-right tabular-nums">{clip.pared.gaps.length}</span>
            <span className="w-14 text-right tabular-nums">
              +{secondsText(clip.pared.gaps.reduce((sum, g) => sum + g.lengthUs, 0))}
            </span>
            <span className="invisible font-medium" aria-hidden="true">
              put back
            </span>
          </div>
        </div>
      )}
    </section>
  );
});

interface GroupProps {
  name: string;
  rows: Removal[];
  count: number;
  /** Time taken out; null where the time stays. */
  us: number | null;
  open: boolean;
  onOpen: () => void;
  /** Puts all of a reason back; without it the rows shown come back. */
  onBack?: () => void;
}

function Group({ name, rows, count, us, open, onOpen, onBack }: GroupProps) {
  const playback = usePlayback();
  const { change } = useChanges();
  return (
    <div className="border-b border-rule py-1.5">
      <div className="flex items-center gap-3">
        <button className="flex-1 text-left font-medium" aria-expanded={open} onClick={onOpen}>
          {name}
        </button>
        <span className="w-8 text-right tabular-nums">{count}</span>
        <span className="w-14 text-right tabular-nums">{us === null ? '' : secondsText(us)}</span>
        <button
          className="link"
          onClick={onBack ?? (() => void change({ type: 'putBackRemovals', ids: rows.map((r) => r.id) }))}
        >
          put back
        </button>
      </div>
      {open && (
        <ul className="mt-1 max-h-52 overflow-y-auto">
          {rows.map((r) => (
            <li key={r.id} className="flex items-center gap-2 py-0.5 text-[13px]">
              <button
                className="rounded p-0.5 text-soft hover:text-accent"
                aria-label={`Hear what was cut at ${clock(r.span.startUs)}`}
                onClick={() => playback.hear(r.span.startUs, r.span.endUs)}
              >
                <Play size={12} />
              </button>
              <button
                className="w-10 text-left text-soft tabular-nums hover:text-accent"
                title="Play over this place"
                onClick={() => playback.hearAround(r.span.startUs - 1, false)}
              >
                {clock(r.span.startUs)}
              </button>
              <span className="flex-1 truncate font-serif">{r.text || 'pause'}</span>
              <span className="text-soft tabular-nums">{secondsText(r.span.endUs - r.span.startUs)}</span>
              <button className="link" onClick={() => useWorkbench.setState({ loupe: r.id, seam: null })}>
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
  );
}
