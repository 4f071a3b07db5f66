import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Brief, type TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock } from '../ui/time';
import { useWorkbench } from '../workbench/store';

/** What a clip of the episode's highlights is made of, and a way to make it. */
export function HighlightList({
  episodeId,
  transcript,
  brief,
}: {
  episodeId: number;
  transcript: TranscriptColumns;
  brief: Brief;
}) {
  const playback = usePlayback();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [left, setLeft] = useState<number[]>([]);
  const found = useQuery({
    queryKey: ['highlights', episodeId, brief, transcript.revision],
    queryFn: () => api.highlights(episodeId, brief),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  if (found.isError) return <p className="mt-3 text-accent">{(found.error as Error).message}</p>;
  if (!found.data) return <p className="mt-3 text-soft">Reading the episode</p>;
  const taken = found.data.filter((p) => !left.includes(p.first));
  const seconds = Math.round(taken.reduce((sum, p) => sum + p.paredUs, 0) / 1e6);
  const make = async () => {
    const made = await api.makeOfGathered(
      `Highlights, ${Math.round((brief.share ?? 0) * 100)} per cent`,
      taken.map((p) => ({ episodeId, firstWord: p.first, lastWord: p.last })),
    );
    await queries.invalidateQueries({ queryKey: ['clips', episodeId] });
    navigate(`/episodes/${episodeId}/pare?clip=${made.clipId}`);
  };
  return (
    <div className="mt-2">
      <div className="flex items-center justify-between">
        <span className="text-soft">
          {taken.length} stretches, {seconds} s after paring
        </span>
        <button className="button button-strong" disabled={!taken.length} onClick={() => void make()}>
          Make one clip
        </button>
      </div>
      <ol className="mt-1">
        {found.data.map((p) => (
          <li key={p.first} className="flex items-baseline gap-2 border-b border-rule py-1.5" data-testid="highlight">
            <input
              type="checkbox"
              aria-label={p.opening}
              checked={!left.includes(p.first)}
              onChange={() => setLeft(left.includes(p.first) ? left.filter((x) => x !== p.first) : [...left, p.first])}
            />
            <span className="w-9 text-[12px] text-faint tabular-nums">{clock(p.span.startUs)}</span>
            <button
              className="line-clamp-2 flex-1 text-left font-serif text-[15px] leading-snug hover:text-accent"
              title={p.reasons.slice(0, 4).join('; ')}
              onClick={() => {
                useWorkbench.getState().select(p.first, p.last);
                playback.seekEpisode(p.span.startUs);
              }}
            >
              {p.opening}
            </button>
            <span className="text-[12px] text-soft tabular-nums">{Math.round(p.paredUs / 1e6)} s</span>
          </li>
        ))}
      </ol>
    </div>
  );
}
