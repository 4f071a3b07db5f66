import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useQueryClient } from '@tanstack/react-query';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { api } from '../api/client';
import { clock } from '../ui/time';
import { drop, shift, useGathered } from './gathered';
import { ShownKey } from '../keyboard/ShownKey';

/** Words gathered from this and other episodes, in the order in which they will play. */
export function GatheredList({ episodeId }: { episodeId: number }) {
  const pieces = useGathered((s) => s.pieces);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState('');
  const several = new Set(pieces.map((p) => p.episodeId)).size > 1;
  const make = async () => {
    setBusy(true);
    setProblem('');
    try {
      const made = await api.makeOfGathered(title, pieces);
      useGathered.setState({ pieces: [] });
      await queries.invalidateQueries({ queryKey: ['shelf'] });
      await queries.invalidateQueries({ queryKey: ['clips', made.episodeId] });
      navigate(`/episodes/${made.episodeId}/pare?clip=${made.clipId}`);
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  if (!pieces.length) {
    return (
      <p className="mt-3 text-soft">
        Select words, here or in any other episode, and press <ShownKey ours="g" />. What you gather waits here and
        becomes one clip, in the order you give it.
      </p>
    );
  }
  return (
    <div className="mt-2">
      <ol>
        {pieces.map((p, i) => (
          <li key={p.key} className="border-b border-rule py-2" data-testid="gathered">
            <div className="flex items-baseline gap-2">
              <span className="font-serif text-[15px] text-accent">{i + 1}</span>
              <span className="line-clamp-2 flex-1 font-serif text-[15px] leading-snug">{p.text}</span>
            </div>
            <div className="mt-1 flex items-center gap-2 pl-5 text-[12px] text-soft tabular-nums">
              <span className="flex-1 truncate">
                {p.episodeId === episodeId ? '' : `${p.episode}, `}
                {clock(p.startUs)}, {Math.round(p.lengthUs / 1e6)} s
              </span>
              <button aria-label="Earlier" disabled={i === 0} onClick={() => shift(p.key, -1)}>
                <ArrowUp size={14} />
              </button>
              <button aria-label="Later" disabled={i === pieces.length - 1} onClick={() => shift(p.key, 1)}>
                <ArrowDown size={14} />
              </button>
              <button aria-label="Leave it out" onClick={() => drop(p.key)}>
                <X size={14} />
              </button>
            </div>
          </li>
        ))}
      </ol>
      <div className="mt-3 flex gap-2">
        <input
          className="field"
          placeholder="title of the clip"
          aria-label="Title of the clip"
          value={title}
          onChange={(e) => setTitle(e.target.value)}
        />
        <button className="button button-strong shrink-0" disabled={busy} onClick={() => void make()}>
          {busy ? 'Putting it together' : 'Make the clip'}
        </button>
      </div>
      <p className="mt-1.5 text-[12.5px] text-soft">
        {several
          ? 'Pieces of several episodes become an episode of their own, with their words and speakers.'
          : 'All of this episode: the clip plays them one after the other.'}
      </p>
      {problem && <p className="mt-1 text-accent">{problem}</p>}
    </div>
  );
}
