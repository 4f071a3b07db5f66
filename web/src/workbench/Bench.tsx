import { useQueryClient } from '@tanstack/react-query';
import { BookOpen, Combine, Trash2 } from 'lucide-react';
import { api, type ClipState } from '../api/client';
import { shapeText } from '../ui/shape';
import { clock } from '../ui/time';
import { useChanges } from './changes';
import { useWorkbench } from './store';

interface Props {
  clips: ClipState[];
  current: number | null;
  /** Whether other clips can be joined on to the open one. */
  joinable: boolean;
  onOpen: (clip: ClipState) => void;
  onRead: () => void;
}

/** The episode's clips, with what has been done to each. */
export function Bench({ clips, current, joinable, onOpen, onRead }: Props) {
  const changes = useChanges();
  const queries = useQueryClient();
  const shown = useWorkbench((s) => s.clip);
  const bin = async (clip: ClipState) => {
    await api.binClip(clip.id);
    await queries.invalidateQueries({ queryKey: ['clips'] });
    useWorkbench.setState({ message: `${clip.delivered.title} is in the bin. Its edits are kept there.` });
    if (clip.id === current) onRead();
  };
  return (
    <aside className="w-[196px] shrink-0 overflow-y-auto border-r border-rule bg-desk" aria-label="Clips">
      <button
        onClick={onRead}
        className={`flex w-full items-center gap-2 border-l-[3px] px-3.5 py-3 text-left ${current === null ? 'border-accent bg-paper font-semibold' : 'border-transparent text-soft hover:bg-paper'}`}
      >
        <BookOpen size={15} /> Whole episode
      </button>
      <div className="label px-4 pt-3 pb-1">{clips.length === 0 ? 'No clips yet' : 'Clips in this episode'}</div>
      {clips.map((listed) => {
        const clip = shown?.id === listed.id ? shown : listed;
        const done = [
          true,
          clip.pared.removals.length > 0,
          shapeText(clip.framed.shape) !== '16:9',
          true,
          clip.delivered.specs.length > 0,
        ];
        return (
          <div
            key={clip.id}
            className={`group relative border-l-[3px] ${clip.id === current ? 'border-accent bg-paper' : 'border-transparent hover:bg-paper'}`}
          >
            <button onClick={() => onOpen(clip)} className="w-full px-3.5 py-2.5 pr-7 text-left" data-testid="clip">
              <div className="font-serif text-[14.5px] leading-snug font-semibold">{clip.delivered.title}</div>
              <div className="mt-0.5 text-[12px] text-soft tabular-nums">
                {clock(clip.pared.lengthUs)} of {clock(clip.pared.originalUs)}
              </div>
              <div className="mt-1.5 flex gap-1" aria-hidden="true">
                {done.map((d, i) => (
                  <span key={i} className={`h-[3px] flex-1 rounded ${d ? 'bg-steel' : 'bg-rule'}`} />
                ))}
              </div>
            </button>
            {joinable && shown && shown.id === current && clip.id !== current && (
              <button
                className="absolute right-2 bottom-2 rounded p-1 text-faint opacity-0 group-hover:opacity-100 focus:opacity-100"
                aria-label={`Join ${clip.delivered.title} on to the open clip`}
                title="Join it on to the open clip"
                onClick={() => void changes.joinOn(clip.id)}
              >
                <Combine size={14} />
              </button>
            )}
            <button
              className="absolute top-2.5 right-2 rounded p-1 text-faint opacity-0 group-hover:opacity-100 focus:opacity-100"
              aria-label={`Put ${clip.delivered.title} into the bin`}
              onClick={() => void bin(clip)}
            >
              <Trash2 size={14} />
            </button>
          </div>
        );
      })}
    </aside>
  );
}
