import { useRef, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Cover, type Spec } from '../api/client';
import { clockTenths } from '../ui/time';
import { useClipChange } from './useClipChange';

/** The still that stands for a clip: proposed moments to choose from, with its title on it or not. */
export function CoverField({ clipId, revision, spec }: { clipId: number; revision: number; spec: Spec }) {
  const change = useClipChange(clipId);
  const { data: choice, error } = useQuery({
    queryKey: ['covers', clipId, spec.id, revision],
    queryFn: () => api.covers(clipId, spec.id),
    placeholderData: (before) => before,
  });
  /** Shown until the server has answered. */
  const [wanted, setWanted] = useState<Cover | null>(null);
  const latest = useRef<Cover | null>(null);
  const choose = async (cover: Cover) => {
    latest.current = cover;
    setWanted(cover);
    await change({ type: 'chooseCover', cover });
    if (latest.current === cover) setWanted(null);
  };
  if (error) return <p className="mt-3 text-[12.5px] text-soft">No cover: {(error as Error).message}</p>;
  if (!choice) return <p className="mt-3 text-[12.5px] text-soft">Looking for a cover …</p>;
  const { proposedUs, isKept } = choice;
  const cover = wanted ?? choice.cover;
  const { width, height } = spec.cover ?? spec.canvas;
  const shape = { aspectRatio: `${width} / ${height}` };
  return (
    <section className="mt-4" aria-label="Cover">
      <div className="flex items-baseline justify-between">
        <div className="label">Cover</div>
        {cover.episodeUs === null ? (
          <span className="text-[12px] text-soft">proposed: sharp, still, eyes open, large</span>
        ) : (
          <button className="link text-[12px]" onClick={() => void choose({ ...cover, episodeUs: null })}>
            As proposed
          </button>
        )}
      </div>
      <div className="mt-1.5 flex gap-3">
        <Shown
          src={api.coverPicture(clipId, spec.id, revision)}
          alt="The cover as it goes out"
          className={`shrink-0 ${width > height ? 'w-[170px]' : 'w-[128px]'}`}
          shape={shape}
        />
        <div
          className="grid min-w-0 flex-1 grid-cols-3 content-start gap-1.5"
          role="radiogroup"
          aria-label="Proposed covers"
        >
          {proposedUs.map((us, i) => {
            const chosen = cover.episodeUs === null ? i === 0 : cover.episodeUs === us;
            return (
              <button
                key={us}
                role="radio"
                aria-checked={chosen}
                aria-label={`${clockTenths(us)} in the episode`}
                title={`${clockTenths(us)} in the episode`}
                className={`overflow-hidden rounded ${chosen ? 'ring-2 ring-accent' : 'opacity-85 hover:opacity-100'}`}
                onClick={() => void choose({ ...cover, episodeUs: us })}
              >
                <Shown src={api.coverAt(clipId, spec.id, revision, us)} alt="" className="w-full" shape={shape} />
              </button>
            );
          })}
        </div>
      </div>
      {!isKept && (
        <p className="mt-1 text-[12.5px] text-soft">The chosen picture was pared away; the proposed one stands in.</p>
      )}
      <label className="mt-1.5 flex items-center gap-2 text-[12.5px]">
        <input
          type="checkbox"
          className="accent-[var(--steel)]"
          checked={cover.hasHeading}
          onChange={(e) => void choose({ ...cover, hasHeading: e.target.checked })}
        />
        with its title on it
      </label>
    </section>
  );
}

function Shown({
  src,
  alt,
  className,
  shape,
}: {
  src: string;
  alt: string;
  className: string;
  shape: { aspectRatio: string };
}) {
  const [failed, setFailed] = useState<string | null>(null);
  return (
    <span className={`block self-start overflow-hidden rounded bg-rule ${className}`} style={shape}>
      {failed !== src && (
        <img src={src} alt={alt} loading="lazy" className="h-full w-full object-cover" onError={() => setFailed(src)} />
      )}
    </span>
  );
}
