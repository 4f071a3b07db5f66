import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { Pencil, Trash2, Undo2 } from 'lucide-react';
import { api, type ShelfItem } from '../api/client';
import { clock } from '../ui/time';
import { LineUpPanel } from './LineUpPanel';
import { TakeAlong } from './TakeAlong';

/** Seconds until a share of work reaches the whole, from its pace since it was first seen; null while unknown. */
function useRestSeconds(progress: number | null, seenAtMs: number): number | null {
  const [first, setFirst] = useState<{ atMs: number; progress: number } | null>(null);
  if (progress === null) {
    if (first) setFirst(null);
    return null;
  }
  if (!first || progress < first.progress) {
    setFirst({ atMs: seenAtMs, progress });
    return null;
  }
  const done = progress - first.progress;
  return done > 0.02 ? ((seenAtMs - first.atMs) / 1000 / done) * (1 - progress) : null;
}

const STEPS = {
  LINING_UP: 'lining the recordings up',
  PICTURE_AND_SOUND: 'picture and sound',
  WORDS: 'listening to the words',
};

/** One episode of the shelf. */
export function EpisodeRow({ item, seenAtMs }: { item: ShelfItem; seenAtMs: number }) {
  const queries = useQueryClient();
  const shelves = useQuery({ queryKey: ['shelves'], queryFn: api.shelves });
  const [editing, setEditing] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const navigate = useNavigate();
  const rest = useRestSeconds(item.state === 'ARRIVING' ? item.progress : null, seenAtMs);
  const ready = item.playable;
  const fresh = () => queries.invalidateQueries({ queryKey: ['shelf'] });
  const describe = (change: Partial<Pick<ShelfItem, 'show' | 'title' | 'shelfId'>>) =>
    api.describeEpisode(item.id, { show: item.show, title: item.title, shelfId: item.shelfId, ...change }).then(fresh);
  const captionsOnly = () =>
    api
      .captionsOnly(item.id)
      .then((clip) => navigate(`/episodes/${item.id}/letter?clip=${clip.id}`))
      .catch((error: Error) => setRefused(error.message));
  return (
    <li
      className="group border-b border-rule"
      draggable={!editing}
      onDragStart={(e) => e.dataTransfer.setData('text/x-episode', String(item.id))}
      data-testid="episode"
    >
      <div className="flex items-center gap-5 py-4">
        <Link
          to={`/episodes/${item.id}`}
          className="grid h-[90px] w-[160px] shrink-0 place-items-center overflow-hidden rounded-md bg-desk"
          tabIndex={-1}
          aria-hidden="true"
        >
          {ready ? (
            <img
              src={`/api/episodes/${item.id}/poster`}
              alt=""
              className="h-full w-full object-cover"
              draggable={false}
            />
          ) : (
            <span className="text-faint">{Math.round(item.progress * 100)} %</span>
          )}
        </Link>
        <div className="min-w-0 flex-1">
          {editing ? (
            <form
              className="flex flex-col gap-1.5"
              onSubmit={(e) => {
                e.preventDefault();
                const form = new FormData(e.currentTarget);
                void describe({ show: String(form.get('show')), title: String(form.get('title')) }).then(() =>
                  setEditing(false),
                );
              }}
              onKeyDown={(e) => e.key === 'Escape' && setEditing(false)}
            >
              <input className="field" name="show" defaultValue={item.show} placeholder="show" aria-label="Show" />
              <span className="flex gap-2">
                <input className="field" name="title" defaultValue={item.title} aria-label="Title" autoFocus required />
                <button className="button">Keep</button>
              </span>
            </form>
          ) : (
            <>
              <div className="text-[12.5px] text-soft">{item.show}</div>
              <Link
                to={`/episodes/${item.id}`}
                className="font-serif text-[20px] leading-tight font-semibold hover:text-accent"
              >
                {item.title}
              </Link>
              <div className="mt-1 flex gap-3 text-soft tabular-nums">
                <span>
                  {clock(item.durationUs)}
                  {item.words ? `, ${item.words.toLocaleString('en')} words` : ''}
                </span>
                <LineUpPanel episodeId={item.id} />
              </div>
            </>
          )}
          {item.state === 'ARRIVING' && (
            <div className="mt-2 flex items-center gap-3">
              <div className="h-1.5 w-44 overflow-hidden rounded-full bg-rule">
                <div className="h-full bg-steel" style={{ width: `${item.progress * 100}%` }} />
              </div>
              <span className="text-[12.5px] text-soft tabular-nums" data-testid="step">
                {item.step ? `${STEPS[item.step]} ${Math.round(item.stepProgress * 100)} %` : 'waits for its turn'}
                {rest !== null && `, ${rest < 90 ? `${Math.ceil(rest)} s` : `${Math.round(rest / 60)} min`} left`}
              </span>
              <button className="link text-[12.5px]" onClick={() => void api.stopIngest(item.id).then(fresh)}>
                Stop
              </button>
            </div>
          )}
          {item.state === 'STOPPED' && (
            <div className="mt-1 text-soft">
              Stopped.{' '}
              <button className="link underline" onClick={() => void api.tryAgain(item.id).then(fresh)}>
                Go on
              </button>
            </div>
          )}
          {refused && (
            <div className="mt-1 text-[12.5px] text-accent" role="alert">
              {refused}
            </div>
          )}
          {item.state === 'READY' && item.problem && <div className="mt-1 text-[12.5px] text-soft">{item.problem}</div>}
          {item.state === 'FAILED' && (
            <div className="mt-1 text-accent">
              {ready ? 'This went wrong: ' : 'Not taken in: '}
              {item.problem}{' '}
              <button className="link underline" onClick={() => void api.tryAgain(item.id).then(fresh)}>
                Try again
              </button>
            </div>
          )}
        </div>
        <div className="flex w-[190px] flex-col items-end gap-2">
          <span className="text-soft">
            {item.clips ? `${item.clips} clip${item.clips === 1 ? '' : 's'}` : 'no clips yet'}
          </span>
          {item.binned ? (
            <button
              className="button flex items-center gap-1.5"
              onClick={() => void api.returnEpisode(item.id).then(fresh)}
            >
              <Undo2 size={14} /> Return
            </button>
          ) : (
            <>
              {ready && (
                <button
                  className="link text-[12.5px] text-soft opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
                  aria-label={`Captions only for ${item.title}`}
                  title="The whole film as it is, as one clip"
                  onClick={() => void captionsOnly()}
                >
                  Captions only
                </button>
              )}
              <span className="flex items-center gap-2 text-faint opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
                {shelves.data && shelves.data.length > 0 && (
                  <select
                    className="w-24 rounded border border-rule bg-paper px-1 py-0.5 text-[12px]"
                    aria-label={`Shelf of ${item.title}`}
                    value={item.shelfId ?? ''}
                    onChange={(e) => void describe({ shelfId: e.target.value ? Number(e.target.value) : null })}
                  >
                    <option value="">no shelf</option>
                    {shelves.data.map((s) => (
                      <option key={s.id} value={s.id}>
                        {s.name}
                      </option>
                    ))}
                  </select>
                )}
                {ready && <TakeAlong item={item} />}
                <button aria-label={`Rename ${item.title}`} onClick={() => setEditing(true)}>
                  <Pencil size={15} />
                </button>
                <button
                  aria-label={`Put ${item.title} into the bin`}
                  onClick={() => void api.binEpisode(item.id).then(fresh)}
                >
                  <Trash2 size={15} />
                </button>
              </span>
            </>
          )}
        </div>
      </div>
    </li>
  );
}
