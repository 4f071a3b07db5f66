import { useMemo, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Plus } from 'lucide-react';
import { api, type ShelfItem } from '../api/client';
import { ViewerNote } from '../team/ViewerNote';
import { AwayNote } from '../ui/AwayNote';
import { BatchNote } from '../queue/BatchNote';
import { OutboxLink } from '../outbox/OutboxLink';
import { QueueLink } from '../queue/QueueLink';
import { AccountMenu } from '../team/AccountMenu';
import { AddEpisode } from './AddEpisode';
import { EpisodeRow } from './EpisodeRow';
import { SaidList } from './SaidList';
import { ShelfTree, type Place } from './ShelfTree';

const ORDERS: Record<string, (a: ShelfItem, b: ShelfItem) => number> = {
  newest: (a, b) => b.id - a.id,
  title: (a, b) => a.title.localeCompare(b.title),
  show: (a, b) => a.show.localeCompare(b.show) || a.title.localeCompare(b.title),
  longest: (a, b) => b.durationUs - a.durationUs,
};

/** The shelf: every episode, what has become of it, and a way to add one. */
export function ShelfPage() {
  const queries = useQueryClient();
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
  const shelves = useQuery({ queryKey: ['shelves'], queryFn: api.shelves });
  const [adding, setAdding] = useState(false);
  const [phrase, setPhrase] = useState('');
  const [order, setOrder] = useState('newest');
  const [place, setPlace] = useState<Place>('all');
  const [mended, setMended] = useState<string[]>([]);
  const present = useMemo(() => shelf.data?.filter((e) => !e.binned) ?? [], [shelf.data]);
  const counts = useMemo(() => {
    const map = new Map<number | null, number>();
    present.forEach((e) => map.set(e.shelfId, (map.get(e.shelfId) ?? 0) + 1));
    return map;
  }, [present]);
  const inside = (id: number): number[] => [
    id,
    ...(shelves.data?.filter((s) => s.parentId === id).flatMap((s) => inside(s.id)) ?? []),
  ];
  const here =
    place === 'bin'
      ? (shelf.data?.filter((e) => e.binned) ?? [])
      : place === 'all'
        ? present
        : present.filter((e) => e.shelfId !== null && inside(place).includes(e.shelfId));
  const wanted = phrase.trim().toLowerCase();
  const titled = wanted ? here.filter((e) => `${e.show} ${e.title}`.toLowerCase().includes(wanted)) : here;
  const shown = [...(wanted ? titled : here)].sort(ORDERS[order]);
  const move = async (episode: number, shelfId: number | null) => {
    const item = shelf.data?.find((e) => e.id === episode);
    if (!item) return;
    await api.describeEpisode(episode, { show: item.show, title: item.title, shelfId });
    await queries.invalidateQueries({ queryKey: ['shelf'] });
  };
  const name =
    place === 'all' ? 'Shelf' : place === 'bin' ? 'Bin' : (shelves.data?.find((s) => s.id === place)?.name ?? 'Shelf');
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-[52px] shrink-0 items-center gap-2 border-b border-rule px-6">
        <span className="flex items-center gap-2 font-serif text-[17px] font-semibold">
          <img src="/assets/mark.svg" alt="" width="22" height="22" />
          Paring Knife
        </span>
        <div className="ml-auto" />
        <QueueLink />
        <OutboxLink />
        <AccountMenu />
        <button
          className="button button-strong flex items-center gap-1.5"
          onClick={() => setAdding(!adding)}
          aria-expanded={adding}
        >
          <Plus size={15} /> Add an episode
        </button>
      </header>
      <AwayNote />
      <ViewerNote />
      <BatchNote />
      <div className="flex min-h-0 flex-1">
        <ShelfTree
          place={place}
          onPlace={setPlace}
          counts={counts}
          binned={(shelf.data?.length ?? 0) - present.length}
          onDropEpisode={(e, s) => void move(e, s)}
        />
        <main className="flex-1 overflow-y-auto px-8 py-8">
          <div className="mx-auto max-w-[900px]">
            {adding && (
              <AddEpisode
                onDone={(notes) => {
                  setAdding(false);
                  setMended(notes);
                }}
              />
            )}
            {mended.length > 0 && (
              <div className="mb-6 flex items-start justify-between rounded-md bg-steelwash px-4 py-2.5" role="status">
                <div>
                  <b>On the shelf. In its transcript:</b>
                  <ul>
                    {mended.map((m) => (
                      <li key={m}>{m}</li>
                    ))}
                  </ul>
                </div>
                <button className="link" onClick={() => setMended([])}>
                  dismiss
                </button>
              </div>
            )}
            <div className="flex items-baseline gap-3">
              <h1 className="flex-1 font-serif text-[26px] font-semibold">{name}</h1>
              {place !== 'bin' && here.some((e) => e.clips > 0) && (
                <Link className="button" to={place === 'all' ? '/sheet' : `/sheet?shelf=${place}`}>
                  Delivery sheet
                </Link>
              )}
              <select
                className="field w-[130px]"
                value={order}
                aria-label="Order"
                onChange={(e) => setOrder(e.target.value)}
              >
                {Object.keys(ORDERS).map((o) => (
                  <option key={o} value={o}>
                    {o === 'newest' || o === 'longest' ? `${o} first` : `by ${o}`}
                  </option>
                ))}
              </select>
              <input
                className="field w-[270px]"
                type="search"
                placeholder="Titles, and anything ever said"
                aria-label="Find anything ever said"
                value={phrase}
                onChange={(e) => setPhrase(e.target.value)}
              />
            </div>
            {phrase.trim().length > 1 && <SaidList phrase={phrase.trim()} />}
            {shelf.isError && <p className="mt-4">{(shelf.error as Error).message}</p>}
            {shelf.isPending && <p className="mt-4 text-soft">Fetching the shelf</p>}
            {shelf.data && shown.length === 0 && !wanted && <Empty place={place} />}
            <ul className="mt-4">
              {shown.map((e) => (
                <EpisodeRow key={e.id} item={e} seenAtMs={shelf.dataUpdatedAt} />
              ))}
            </ul>
          </div>
        </main>
      </div>
    </div>
  );
}

function Empty({ place }: { place: Place }) {
  if (place === 'bin')
    return <p className="mt-4 text-soft">The bin is empty. What is put here can be had back for thirty days.</p>;
  if (place !== 'all')
    return (
      <p className="mt-4 text-soft">
        Nothing stands on this shelf. Drag an episode onto its name, or choose the shelf beside an episode.
      </p>
    );
  return (
    <p className="mt-4 max-w-lg text-soft">
      The shelf is empty. Add an episode: a recording, further cameras and microphones if there are any, and its
      transcript if there is one. Without one, the words are recognised on this machine, which takes a while and makes
      mistakes.
    </p>
  );
}
