import { useEffect, useState } from 'react';
import { Image } from 'lucide-react';
import type { ClipState } from '../api/client';
import { usePlayhead } from '../plate/playhead';
import { useChanges } from '../workbench/changes';

/** Makes what stands on the plate the clip's cover. */
export function TakeCover({ clip, frameUs, named }: { clip: ClipState; frameUs: number; named: boolean }) {
  const { change } = useChanges();
  const { cover } = clip.delivered;
  const chosen = cover.episodeUs;
  const [isShown, setIsShown] = useState(false);
  useEffect(() => {
    const look = (us: number) => setIsShown(chosen !== null && Math.abs(us - chosen) < frameUs / 2);
    look(usePlayhead.getState().episodeUs);
    return usePlayhead.subscribe((s) => look(s.episodeUs));
  }, [chosen, frameUs]);
  const says = isShown ? 'This picture is the cover' : 'Make this picture the cover';
  return (
    <button
      className={`absolute left-0 flex items-center gap-1 rounded p-1 text-[12.5px] ${isShown ? 'text-accent' : 'text-soft hover:bg-paper'}`}
      aria-label={says}
      aria-pressed={isShown}
      title={says}
      onClick={() =>
        void change({
          type: 'chooseCover',
          cover: { ...cover, episodeUs: Math.max(0, Math.round(usePlayhead.getState().episodeUs)) },
        })
      }
    >
      <Image size={15} /> {named && 'cover'}
    </button>
  );
}
