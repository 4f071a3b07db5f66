import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Library, Pencil, Plus, Trash2, X } from 'lucide-react';
import { api, type Shelf } from '../api/client';
import { sizeText } from '../ui/time';

/** Where one stands: a shelf by its id, everything, or the bin. */
export type Place = number | 'all' | 'bin';

interface Props {
  place: Place;
  onPlace: (place: Place) => void;
  counts: Map<number | null, number>;
  binned: number;
  onDropEpisode: (episode: number, shelf: number | null) => void;
}

/** The shelves, one inside the other. Episodes and shelves are dropped onto them. */
export function ShelfTree({ place, onPlace, counts, binned, onDropEpisode }: Props) {
  const queries = useQueryClient();
  const shelves = useQuery({ queryKey: ['shelves'], queryFn: api.shelves });
  const storage = useQuery({ queryKey: ['storage'], queryFn: api.storage, staleTime: 60_000 });
  const [naming, setNaming] = useState<number | null>(null);
  const fresh = () => queries.invalidateQueries({ queryKey: ['shelves'] });
  const add = async (parentId: number | null) => {
    const id = await api.addShelf('New shelf', parentId);
    await fresh();
    setNaming(id);
    onPlace(id);
  };
  const dropped = (e: React.DragEvent, shelf: number | null) => {
    e.preventDefault();
    const episode = e.dataTransfer.getData('text/x-episode');
    const moved = Number(e.dataTransfer.getData('text/x-shelf'));
    if (episode) onDropEpisode(Number(episode), shelf);
    else if (moved && moved !== shelf) {
      const its = shelves.data?.find((s) => s.id === moved);
      if (its) void api.changeShelf(moved, its.name, shelf).then(fresh, () => undefined);
    }
  };
  const branch = (parent: number | null, depth: number): React.ReactNode =>
    shelves.data
      ?.filter((s) => s.parentId === parent)
      .map((s) => (
        <li key={s.id}>
          <Row
            shelf={s}
            depth={depth}
            chosen={place === s.id}
            count={counts.get(s.id) ?? 0}
            naming={naming === s.id}
            onChoose={() => onPlace(s.id)}
            onName={(name) => {
              setNaming(null);
              if (name.trim()) void api.changeShelf(s.id, name, s.parentId).then(fresh);
            }}
            onStartNaming={() => setNaming(s.id)}
            onAdd={() => void add(s.id)}
            onRemove={() =>
              void api.removeShelf(s.id).then(async () => {
                await fresh();
                await queries.invalidateQueries({ queryKey: ['shelf'] });
                onPlace('all');
              })
            }
            onDrop={(e) => dropped(e, s.id)}
          />
          <ul>{branch(s.id, depth + 1)}</ul>
        </li>
      ));
  return (
    <nav className="flex w-[220px] shrink-0 flex-col border-r border-rule bg-desk py-4" aria-label="Shelves">
      <button
        className={`flex items-center gap-2 border-l-[3px] px-4 py-2 text-left ${place === 'all' ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'}`}
        onClick={() => onPlace('all')}
        onDragOver={(e) => e.preventDefault()}
        onDrop={(e) => dropped(e, null)}
      >
        <Library size={15} /> Everything
      </button>
      <ul>{branch(null, 0)}</ul>
      <button
        className="mt-1 flex items-center gap-2 px-5 py-1.5 text-left text-soft hover:text-ink"
        onClick={() => void add(null)}
      >
        <Plus size={14} /> New shelf
      </button>
      <div className="mt-auto">
        <button
          className={`flex w-full items-center gap-2 border-l-[3px] px-4 py-2 text-left ${place === 'bin' ? 'border-accent bg-paper font-semibold' : 'border-transparent text-soft hover:bg-paper'}`}
          onClick={() => onPlace('bin')}
        >
          <Trash2 size={15} /> Bin {binned > 0 && <span className="ml-auto text-faint">{binned}</span>}
        </button>
        {storage.data && (
          <p className="px-5 pt-2 text-[12px] text-faint">
            {sizeText(storage.data.usedBytes)} used, {sizeText(storage.data.freeBytes)} free
          </p>
        )}
      </div>
    </nav>
  );
}

interface RowProps {
  shelf: Shelf;
  depth: number;
  chosen: boolean;
  count: number;
  naming: boolean;
  onChoose: () => void;
  onName: (name: string) => void;
  onStartNaming: () => void;
  onAdd: () => void;
  onRemove: () => void;
  onDrop: (e: React.DragEvent) => void;
}

function Row({
  shelf,
  depth,
  chosen,
  count,
  naming,
  onChoose,
  onName,
  onStartNaming,
  onAdd,
  onRemove,
  onDrop,
}: RowProps) {
  const [over, setOver] = useState(false);
  return (
    <div
      className={`group flex items-center border-l-[3px] pr-2 ${chosen ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'} ${over ? 'bg-wash' : ''}`}
      style={{ paddingLeft: 17 + depth * 14 }}
      draggable={!naming}
      onDragStart={(e) => e.dataTransfer.setData('text/x-shelf', String(shelf.id))}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        setOver(false);
        onDrop(e);
      }}
    >
      {naming ? (
        <input
          className="field my-1"
          autoFocus
          defaultValue={shelf.name}
          aria-label="Name of the shelf"
          onFocus={(e) => e.target.select()}
          onBlur={(e) => onName(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') onName(e.currentTarget.value);
            if (e.key === 'Escape') onName('');
          }}
        />
      ) : (
        <>
          <button className="flex-1 truncate py-1.5 text-left" onClick={onChoose}>
            {shelf.name}
          </button>
          <span className="text-[12px] text-faint group-focus-within:hidden group-hover:hidden">{count || ''}</span>
          <span className="hidden gap-1 text-faint group-focus-within:flex group-hover:flex">
            <button aria-label={`Rename ${shelf.name}`} onClick={onStartNaming}>
              <Pencil size={13} />
            </button>
            <button aria-label={`New shelf in ${shelf.name}`} onClick={onAdd}>
              <Plus size={14} />
            </button>
            <button aria-label={`Take ${shelf.name} away; what stands on it stays`} onClick={onRemove}>
              <X size={14} />
            </button>
          </span>
        </>
      )}
    </div>
  );
}
