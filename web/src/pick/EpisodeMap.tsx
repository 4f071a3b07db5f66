import { useState } from 'react';
import type { ClipState, Pick } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock } from '../ui/time';

const THUMBNAIL_US = 10_000_000;

interface Props {
  episodeId: number;
  durationUs: number;
  picks: Pick[];
  clips: ClipState[];
}

/** A thin map of the whole episode: where the proposals and the clips lie, and what is seen there. */
export function EpisodeMap({ episodeId, durationUs, picks, clips }: Props) {
  const playback = usePlayback();
  const [over, setOver] = useState<{ y: number; us: number } | null>(null);
  const place = (startUs: number, endUs: number) => ({
    top: `${(startUs / durationUs) * 100}%`,
    height: `${Math.max(0.6, ((endUs - startUs) / durationUs) * 100)}%`,
  });
  const timeAt = (e: React.MouseEvent) => {
    const box = e.currentTarget.getBoundingClientRect();
    return ((e.clientY - box.top) / box.height) * durationUs;
  };
  // A time between two thumbnails is shown by the nearer one.
  const shown = over && Math.round(over.us / THUMBNAIL_US) * THUMBNAIL_US;
  return (
    <button
      className="relative w-5 shrink-0 border-l border-rule bg-paper"
      aria-label="Map of the episode; click to go there"
      onClick={(e) => playback.seekEpisode(timeAt(e))}
      onMouseMove={(e) => setOver({ y: e.clientY - e.currentTarget.getBoundingClientRect().top, us: timeAt(e) })}
      onMouseLeave={() => setOver(null)}
    >
      {clips.map((c) =>
        c.pared.stretches.map((s) => (
          <span
            key={`${c.id}-${s.startUs}`}
            className="absolute inset-x-1 rounded-sm bg-steel"
            style={place(s.startUs, s.endUs)}
          />
        )),
      )}
      {picks.map((p) => (
        <span
          key={p.first}
          className="absolute inset-x-0.5 rounded-sm border-2 border-accent"
          style={place(p.span.startUs, p.span.endUs)}
        />
      ))}
      {over && (
        <span
          className="panel pointer-events-none absolute right-6 z-10 w-[202px] -translate-y-1/2 p-1"
          style={{ top: over.y }}
          data-testid="glimpse"
        >
          <img
            src={`/api/episodes/${episodeId}/thumbnail?us=${shown}`}
            alt=""
            className="w-full rounded"
            onError={(e) => (e.currentTarget.style.display = 'none')}
            onLoad={(e) => (e.currentTarget.style.display = '')}
          />
          <span className="block pt-1 text-center text-[12px] text-soft tabular-nums">{clock(over.us)}</span>
        </span>
      )}
    </button>
  );
}
