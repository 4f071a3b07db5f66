import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Play } from 'lucide-react';
import { api, type ClipState, type Means } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock, secondsText } from '../ui/time';
import { useChanges } from '../workbench/changes';

/** The filler words of the show, for the language of this episode. */
function FillerWords({ clip }: { clip: ClipState }) {
  const queries = useQueryClient();
  const list = useQuery({ queryKey: ['filler-list', clip.episodeId], queryFn: () => api.fillerList(clip.id) });
  const [typed, setTyped] = useState<{ sure: string; doubtful: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  if (!list.data) return null;
  const shown = typed ?? { sure: list.data.sure.join(', '), doubtful: list.data.doubtful.join(', ') };
  const keep = async () => {
    try {
      const kept = await api.changeFillerList(clip.id, {
        sure: shown.sure.split(','),
        doubtful: shown.doubtful.split(','),
      });
      queries.setQueryData(['filler-list', clip.episodeId], kept);
      setTyped(null);
      setProblem(null);
      for (const key of ['fillers', 'prospects', 'fit']) await queries.invalidateQueries({ queryKey: [key] });
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <div className="mt-2 border-t border-rule pt-2" data-testid="filler-words">
      <label className="label">
        Always fillers
        <textarea
          className="field mt-0.5 h-14 font-normal"
          value={shown.sure}
          onChange={(e) => setTyped({ ...shown, sure: e.target.value })}
        />
      </label>
      <label className="label mt-2 block">
        Fillers only where the rhythm shows it
        <textarea
          className="field mt-0.5 h-16 font-normal"
          value={shown.doubtful}
          onChange={(e) => setTyped({ ...shown, doubtful: e.target.value })}
        />
      </label>
      {problem && <p className="mt-1 text-accent">{problem}</p>}
      <div className="mt-2 flex items-center justify-between">
        <span className="text-[12px] text-soft">For all episodes of this show.</span>
        <button className="button" disabled={!typed} onClick={() => void keep()}>
          Keep these words
        </button>
      </div>
    </div>
  );
}

/** Every filler of the clip: the sure ones in one go, the doubtful ones by ear. */
export function FillersPanel({ clip, sureUs }: { clip: ClipState; sureUs: number }) {
  const playback = usePlayback();
  const { change } = useChanges();
  const found = useQuery({
    queryKey: ['fillers', clip.id, clip.revision],
    queryFn: () => api.fillers(clip.id),
    placeholderData: (before) => before,
  });
  const [means, setMeans] = useState<Means>('CUT');
  const [editing, setEditing] = useState(false);
  const [ticked, setTicked] = useState<Set<number>>(new Set());
  const sure = found.data?.filter((f) => f.sure) ?? [];
  const doubtful = found.data?.filter((f) => !f.sure) ?? [];
  const chosen = [...ticked].filter((first) => found.data?.some((f) => f.first === first));
  const list = (fillers: typeof sure) =>
    fillers.map((f) => (
      <li key={f.first} className="flex items-center gap-2 py-0.5">
        <input
          type="checkbox"
          aria-label={`${f.text} at ${clock(f.startUs)}`}
          checked={ticked.has(f.first)}
          onChange={() =>
            setTicked((before) =>
              before.has(f.first) ? new Set([...before].filter((x) => x !== f.first)) : new Set(before).add(f.first),
            )
          }
        />
        <button
          className="rounded p-0.5 text-soft hover:text-accent"
          aria-label={`Hear ${f.text} at ${clock(f.startUs)}`}
          onClick={() => playback.hear(f.startUs - 400_000, f.endUs + 400_000)}
        >
          <Play size={12} />
        </button>
        <span className="w-12 text-[12px] text-faint tabular-nums">{clock(f.startUs)}</span>
        <span className="flex-1 font-serif text-[15px]">{f.text}</span>
        <span className="text-[12px] text-soft tabular-nums">{secondsText(f.endUs - f.startUs)}</span>
      </li>
    ));
  return (
    <>
      <div className="flex items-center justify-between">
        <span>{sure.length ? `${sure.length} sure, ${secondsText(sureUs)}` : 'No sure fillers are left.'}</span>
        <Popover.Close asChild>
          <button
            className="button button-strong"
            disabled={!sure.length}
            onClick={() => void change({ type: 'pareFillers' })}
            data-testid="pare-sure-fillers"
          >
            Pare the sure ones
          </button>
        </Popover.Close>
      </div>
      <ul className="mt-2 max-h-40 overflow-y-auto">{list(sure)}</ul>
      {doubtful.length > 0 && (
        <>
          <div className="label mt-3">Doubtful: only sometimes a filler</div>
          <ul className="mt-1 max-h-48 overflow-y-auto">{list(doubtful)}</ul>
        </>
      )}
      <div className="mt-3 flex items-center gap-2">
        <select
          className="field min-w-0 flex-1"
          aria-label="What happens to the ticked ones"
          value={means}
          onChange={(e) => setMeans(e.target.value as Means)}
        >
          <option value="CUT">cut</option>
          <option value="ROOM_TONE">room tone instead</option>
          <option value="MUTE">mute</option>
          <option value="CAPTIONS_ONLY">out of the captions only</option>
        </select>
        <button
          className="button"
          disabled={!chosen.length}
          data-testid="take-ticked"
          onClick={() => void change({ type: 'pareChosenFillers', first: chosen, means })}
        >
          Take the {chosen.length || ''} ticked
        </button>
      </div>
      <button className="link mt-3 block" aria-expanded={editing} onClick={() => setEditing(!editing)}>
        the show’s filler words
      </button>
      {editing && <FillerWords clip={clip} />}
    </>
  );
}
