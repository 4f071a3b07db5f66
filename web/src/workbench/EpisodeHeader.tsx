import { Redo2, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import type { ShelfItem } from '../api/client';
import { Others } from '../team/Others';
import { SaveState } from './SaveState';
import { STAGES, type Stage } from './store';

/** The page's head: the episode, the five stages, undo and what is saved. */
export function EpisodeHeader({
  item,
  clipId,
  stage,
  goTo,
  undoes,
  redoes,
  undo,
  redo,
  help,
  children,
}: {
  item: ShelfItem | null;
  clipId: number | null;
  stage: Stage;
  goTo: (stage: Stage) => void;
  undoes: string | null;
  redoes: string | null;
  undo: () => void;
  redo: () => void;
  help: () => void;
  children: React.ReactNode;
}) {
  return (
    <header className="flex h-[52px] shrink-0 items-center gap-3 border-b border-rule px-4">
      <Link to="/" className="flex shrink-0 items-center gap-2 font-serif whitespace-nowrap text-[17px] font-semibold">
        <img src="/assets/mark.svg" alt="" width="22" height="22" />
        Paring Knife
      </Link>
      <span className="ml-2 min-w-0 truncate">
        {item?.show && <span className="text-soft">{item.show} / </span>}
        <b className="font-semibold">{item?.title}</b>
      </span>
      {item && <Others episodeId={item.id} clipId={clipId} />}
      <nav className="ml-auto flex h-full shrink-0" aria-label="Stages">
        {STAGES.map((s, i) => (
          <button
            key={s}
            onClick={() => goTo(s)}
            aria-current={s === stage ? 'step' : undefined}
            className={`border-b-[3px] px-2.5 whitespace-nowrap min-[1100px]:px-3.5 ${s === stage ? 'border-accent font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
          >
            <span className="mr-1.5 text-[11px] text-faint">{i + 1}</span>
            {s[0].toUpperCase() + s.slice(1)}
          </button>
        ))}
      </nav>
      <div className="ml-1 flex shrink-0 items-center gap-1 whitespace-nowrap">
        <button
          className="rounded p-1.5 hover:bg-desk"
          disabled={!undoes}
          title={undoes ? `Undo: ${undoes}` : 'Nothing to undo'}
          aria-label="Undo"
          onClick={undo}
        >
          <Undo2 size={16} />
        </button>
        <button
          className="rounded p-1.5 hover:bg-desk"
          disabled={!redoes}
          title={redoes ? `Redo: ${redoes}` : 'Nothing to redo'}
          aria-label="Redo"
          onClick={redo}
        >
          <Redo2 size={16} />
        </button>
        {children}
        <button className="rounded px-2 py-1 hover:bg-desk" onClick={help} aria-label="Keys" title="Keys (?)">
          ?
        </button>
        <SaveState />
      </div>
    </header>
  );
}
