import type { ClipState, Pick } from '../api/client';
import { current } from '../plate/player';

/** A thin map of the whole episode: where the proposals and the clips lie. */
export function EpisodeMap({ durationUs, picks, clips }: { durationUs: number; picks: Pick[]; clips: ClipState[] }) {
  const place = (startUs: number, endUs: number) => ({
    top: `${(startUs / durationUs) * 100}%`,
    height: `${Math.max(0.6, ((endUs - startUs) / durationUs) * 100)}%`,
  });
  return (
    <button
      className="relative w-5 shrink-0 border-l border-rule bg-paper"
      aria-label="Map of the episode; click to go there"
      onClick={(e) => {
        const box = e.currentTarget.getBoundingClientRect();
        current.seekEpisode(((e.clientY - box.top) / box.height) * durationUs);
      }}
    >
      {clips.map((c) =>
        c.stretches.map((s) => (
          <span key={`${c.id}-${s.startUs}`} className="absolute inset-x-1 rounded-sm bg-steel" style={place(s.startUs, s.endUs)} />
        )),
      )}
      {picks.map((p) => (
        <span key={p.first} className="absolute inset-x-0.5 rounded-sm border-2 border-accent" style={place(p.span.startUs, p.span.endUs)} />
      ))}
    </button>
  );
}
