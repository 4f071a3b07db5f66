import { useEffect, useRef } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type EpisodeCard } from '../api/client';
import { lastAtOrBefore } from '../plate/sorted';
import { usePlayhead } from '../plate/playhead';
import { useWorkbench } from '../workbench/store';

const MINUTE_US = 60_000_000;
/** A face that was not found for longer is not marked. */
const STALE_US = 1_000_000;

/** An oval on each face where it is at the moment, with a name by which that person is held. */
export function FaceMarks({
  episode,
  speaking,
  onChoose,
}: {
  episode: EpisodeCard;
  /** Index of the person that the frame holds. */
  speaking: number;
  onChoose: (person: number) => void;
}) {
  const minute = useMinute();
  const tracks = useQuery({
    queryKey: ['faces', episode.id, episode.madeAt, minute],
    queryFn: () => api.faces(episode.id, Math.max(0, minute - 1) * MINUTE_US, (minute + 2) * MINUTE_US),
    placeholderData: (before) => before,
  }).data;
  const marks = useRef<(HTMLDivElement | null)[]>([]);
  useEffect(() => {
    const show = (us: number) =>
      tracks?.forEach((track, i) => {
        const mark = marks.current[i];
        if (!mark) return;
        const at = Math.max(0, lastAtOrBefore(track.timesUs, us));
        mark.hidden = track.timesUs.length === 0 || Math.abs(track.timesUs[at] - us) > STALE_US;
        const [x, y, width, height] = track.boxes.slice(at * 4, at * 4 + 4);
        mark.style.left = `${x * 100}%`;
        mark.style.top = `${y * 100}%`;
        mark.style.width = `${width * 100}%`;
        mark.style.height = `${height * 100}%`;
      });
    show(usePlayhead.getState().episodeUs);
    return usePlayhead.subscribe((s) => show(s.episodeUs));
  });
  return episode.people.map((p, i) => (
    <div
      key={p.index}
      ref={(element) => void (marks.current[i] = element)}
      className="pointer-events-none absolute flex items-end justify-center rounded-[50%] border border-white/80"
      hidden
    >
      <button
        className="pointer-events-auto translate-y-6 rounded bg-white px-1.5 py-0.5 text-[11px] font-semibold whitespace-nowrap text-[#241f1d] hover:bg-[#f3dfe4]"
        aria-label={`Hold ${p.name}`}
        onClick={() => onChoose(p.index)}
      >
        {p.name.split(' ')[0]}
        {speaking === p.index && ', held'}
      </button>
    </div>
  ));
}

/** The minute of the episode that the playhead is in. */
function useMinute() {
  useWorkbench((s) => s.playing);
  return usePlayhead((s) => Math.floor(s.episodeUs / MINUTE_US));
}
