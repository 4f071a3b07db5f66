import { useEffect, useRef } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type EpisodeCard, type FaceTrack } from '../api/client';
import { lastAtOrBefore } from '../plate/sorted';
import { usePlayhead } from '../plate/playhead';
import { useWorkbench } from '../workbench/store';
import { namesOf } from './names';

const MINUTE_US = 60_000_000;
/** A face that was not found for longer is not marked. */
const STALE_US = 1_000_000;

/** An oval on each face where it is at the moment, with a name by which that person is held. */
export function FaceMarks({
  episode,
  speaking,
  heldOn,
  onChoose,
}: {
  episode: EpisodeCard;
  /** Index of the person that the frame holds. */
  speaking: number;
  /** The camera on which it does. */
  heldOn: number;
  onChoose: (person: number) => void;
}) {
  const minute = useMinute();
  const tracks = useQuery({
    queryKey: ['faces', episode.id, episode.madeAt, minute],
    queryFn: () => api.faces(episode.id, Math.max(0, minute - 1) * MINUTE_US, (minute + 2) * MINUTE_US),
    placeholderData: (before) => before,
  }).data;
  const marks = useRef<Record<string, HTMLDivElement | null>>({});
  useEffect(() => {
    const show = (us: number) =>
      tracks?.forEach((track) => {
        const mark = marks.current[keyOf(track.person, track.camera)];
        if (!mark) return;
        const [x, y, width, height] = faceAt(track, us);
        mark.hidden = !isSeenAt(track, us);
        mark.style.left = `${x * 100}%`;
        mark.style.top = `${y * 100}%`;
        mark.style.width = `${width * 100}%`;
        mark.style.height = `${height * 100}%`;
      });
    show(usePlayhead.getState().episodeUs);
    return usePlayhead.subscribe((s) => show(s.episodeUs));
  });
  const names = namesOf(episode);
  const everywhere = episode.people.flatMap((p) => episode.cameras.map((_, camera) => ({ p, camera })));
  return everywhere.map(({ p, camera }) => {
    const held = speaking === p.index && heldOn === camera;
    const name = nameOn(names[p.index], held);
    return (
      <div
        key={keyOf(p.index, camera)}
        ref={(element) => void (marks.current[keyOf(p.index, camera)] = element)}
        className="pointer-events-none absolute flex items-end justify-center rounded-[50%] border border-white/80"
        hidden
      >
        {/* The name of whoever is held lies in the middle of the window, where the window is taken. */}
        <button
          className={`translate-y-6 rounded bg-white px-1.5 py-0.5 text-[11px] font-semibold whitespace-nowrap text-[#241f1d] ${held ? '' : 'pointer-events-auto hover:bg-[#f3dfe4]'}`}
          aria-label={`${name}: hold ${p.name}`}
          onClick={() => onChoose(p.index)}
        >
          {name}
        </button>
      </div>
    );
  });
}

/** What stands at a face. */
const nameOn = (name: string, held: boolean) => `${name}${held ? ', held' : ''}`;

const NUMBERS_OF_A_BOX = 4;

const keyOf = (person: number, camera: number) => `${person} ${camera}`;

/** Whether a face was found shortly before or after a time. */
function isSeenAt(track: FaceTrack, us: number) {
  const at = Math.max(0, lastAtOrBefore(track.timesUs, us));
  return track.timesUs.length > 0 && Math.abs(track.timesUs[at] - us) <= STALE_US;
}

/** A face at a time: between two times at which it was found, on the way from one to the other. */
function faceAt(track: FaceTrack, us: number): number[] {
  const at = Math.max(0, lastAtOrBefore(track.timesUs, us));
  const next = Math.min(track.timesUs.length - 1, at + 1);
  const lasts = track.timesUs[next] - track.timesUs[at];
  const share = lasts > 0 ? Math.max(0, Math.min(1, (us - track.timesUs[at]) / lasts)) : 0;
  return Array.from({ length: NUMBERS_OF_A_BOX }, (_, k) => {
    const here = track.boxes[at * NUMBERS_OF_A_BOX + k];
    return here + share * (track.boxes[next * NUMBERS_OF_A_BOX + k] - here);
  });
}

/** The minute of the episode that the playhead is in. */
function useMinute() {
  useWorkbench((s) => s.playing);
  return usePlayhead((s) => Math.floor(s.episodeUs / MINUTE_US));
}
