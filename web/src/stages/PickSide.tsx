import { useEffect, useState } from 'react';
import { Play } from 'lucide-react';
import type { Brief, ClipState, Pick } from '../api/client';
import { current } from '../plate/player';
import { clock } from '../ui/time';
import { useWorkbench } from '../workbench/store';

interface Props {
  brief: Brief;
  onBrief: (brief: Brief) => void;
  picks: Pick[] | null;
  error: Error | null;
  clips: ClipState[];
  onKeep: (pick: Pick) => void;
}

/** The contents page of proposals, each with its opening line, pared length and reasons. */
export function PickSide({ brief, onBrief, picks, error, clips, onKeep }: Props) {
  const [about, setAbout] = useState(brief.about);
  useEffect(() => {
    const wait = setTimeout(() => about !== brief.about && onBrief({ ...brief, about }), 500);
    return () => clearTimeout(wait);
  }, [about, brief, onBrief]);
  const kept = (p: Pick) => clips.some((c) => Math.abs(c.stretches[0].startUs - p.span.startUs) < 1_000_000);
  const number = (value: number, set: (n: number) => void, label: string, width: string) => (
    <label className="flex items-center gap-1">
      <span className="text-soft">{label}</span>
      <input
        type="number"
        min={1}
        max={600}
        className={`field ${width}`}
        value={value}
        onChange={(e) => Number(e.target.value) >= 1 && set(Number(e.target.value))}
      />
    </label>
  );
  return (
    <section className="mt-4 border-t border-rule pt-3">
      <div className="flex items-center gap-2">
        {number(brief.count, (count) => onBrief({ ...brief, count }), 'Picks', 'w-[52px]')}
        {number(brief.shortest, (shortest) => shortest <= brief.longest && onBrief({ ...brief, shortest }), 'of', 'w-[56px]')}
        {number(brief.longest, (longest) => longest >= brief.shortest && onBrief({ ...brief, longest }), 'to', 'w-[56px]')}
        <span className="text-soft">s</span>
      </div>
      <input
        className="field mt-2"
        placeholder="about: ice, ferry"
        aria-label="Subjects"
        value={about}
        onChange={(e) => setAbout(e.target.value)}
      />
      {error && <p className="mt-3 text-accent">{error.message}</p>}
      {picks && picks.length === 0 && (
        <p className="mt-4 text-soft">No run of whole sentences has this length after paring. Try a wider one.</p>
      )}
      <ol className="mt-2">
        {picks?.map((p, i) => (
          <li key={p.first} className="border-b border-rule py-3" data-testid="pick">
            <div className="flex items-baseline gap-2">
              <span className="font-serif text-[15px] text-accent">{i + 1}</span>
              <span className="flex-1 font-serif text-[15px] leading-snug">{p.opening}</span>
            </div>
            <div className="mt-1 flex items-center gap-3 pl-5 text-[12px] text-soft tabular-nums">
              <button
                className="flex items-center gap-1 hover:text-ink"
                onClick={() => {
                  useWorkbench.getState().select(p.first, p.last);
                  current.seekEpisode(p.span.startUs);
                  useWorkbench.setState({ playing: true });
                  void current.player?.play();
                }}
              >
                <Play size={12} /> {clock(p.span.startUs)}
              </button>
              <span>{Math.round(p.paredUs / 1e6)} s after paring</span>
              <span title="higher is better, within this episode">score {p.score.toFixed(1)}</span>
            </div>
            <ul className="mt-1 pl-5 text-[12.5px] leading-[1.45] text-soft">
              {p.reasons.slice(0, 4).map((r) => (
                <li key={r}>{r}</li>
              ))}
            </ul>
            <div className="mt-2 pl-5">
              {kept(p) ? (
                <span className="text-[12.5px] font-medium text-steel">kept as a clip</span>
              ) : (
                <button className="button" onClick={() => onKeep(p)}>
                  Keep
                </button>
              )}
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}
