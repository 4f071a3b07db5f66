import { useState } from 'react';
import { Link } from 'react-router';
import { ChevronDown, ChevronUp, Download, GripVertical, X } from 'lucide-react';
import type { QueueLine } from '../api/client';
import { assertNever } from '../ui/assertNever';
import { clock } from '../ui/time';

const DRAGGED = 'text/x-rendering';

function standing(line: QueueLine): string {
  const left = line.secondsLeft === null ? null : clock(line.secondsLeft * 1e6);
  switch (line.state) {
    case 'RENDERING':
      if (line.progress >= 1) return 'being checked';
      return left ? `${left} left` : 'rendering';
    case 'WAITING':
      if (line.copies) return 'same file as one above';
      return line.problem ?? (left ? `done in ${left}` : 'waits');
    case 'FAILED':
      return line.problem ?? 'failed';
    case 'DONE':
      return line.right ? 'finished' : 'not right';
    case 'CANCELLED':
      return '';
    default:
      return assertNever(line.state);
  }
}

export interface QueueRowProps {
  line: QueueLine;
  /** What it comes before when it is moved a place up, and a place down, 0 for the end; null where it cannot be. */
  earlier: number | null;
  later: number | null;
  onMove: (rendering: number, before: number) => void;
  onCancel: (rendering: number) => void;
  onAgain: (rendering: number) => void;
}

/** One rendering of the queue; those that wait are dragged, or moved by their arrows. */
export function QueueRow({ line, earlier, later, onMove, onCancel, onAgain }: QueueRowProps) {
  const [isOver, setIsOver] = useState(false);
  const waits = line.state === 'WAITING';
  const id = line.renderingId;
  return (
    <li
      className={`relative flex items-center gap-3 border-b border-rule py-2.5 pr-1 ${isOver ? 'shadow-[inset_0_2px_0_var(--accent)]' : ''}`}
      data-testid="queued"
      data-state={line.state}
      draggable={waits}
      onDragStart={(e) => e.dataTransfer.setData(DRAGGED, String(id))}
      onDragOver={(e) => {
        if (!waits || !e.dataTransfer.types.includes(DRAGGED)) return;
        e.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={(e) => {
        setIsOver(false);
        const dragged = Number(e.dataTransfer.getData(DRAGGED));
        if (waits && dragged && dragged !== id) onMove(dragged, id);
      }}
    >
      <GripVertical size={15} className={`shrink-0 ${waits ? 'cursor-grab text-faint' : 'opacity-0'}`} aria-hidden />
      <div className="min-w-0 flex-1">
        <Link
          className="block truncate font-serif text-[15.5px] font-semibold hover:underline"
          to={`/episodes/${line.episodeId}/deliver?clip=${line.clipId}`}
        >
          {line.clip}
        </Link>
        <p className="truncate text-soft">
          {line.show && `${line.show} / `}
          {line.episode}
        </p>
      </div>
      <span className="w-[150px] shrink-0 truncate text-soft">{line.spec}</span>
      <div className={`shrink-0 ${line.state === 'FAILED' ? 'w-[230px]' : 'w-[150px]'}`}>
        {line.state === 'RENDERING' && (
          <div
            className="mb-1 h-1.5 overflow-hidden rounded-full bg-rule"
            role="progressbar"
            aria-label={`${line.clip}, ${line.spec}`}
            aria-valuenow={Math.round(line.progress * 100)}
          >
            <div className="h-full bg-steel" style={{ width: `${line.progress * 100}%` }} />
          </div>
        )}
        <span className={`tabular-nums ${line.state === 'FAILED' || !line.right ? 'text-accent' : 'text-soft'}`}>
          {standing(line)}
        </span>
      </div>
      <div className="flex w-[92px] shrink-0 justify-end gap-0.5">
        {waits && (
          <>
            <button
              className="rounded p-1.5 hover:bg-desk disabled:opacity-30"
              disabled={earlier === null}
              aria-label={`Render ${line.clip}, ${line.spec}, earlier`}
              title="Earlier"
              onClick={() => earlier !== null && onMove(id, earlier)}
            >
              <ChevronUp size={15} />
            </button>
            <button
              className="rounded p-1.5 hover:bg-desk disabled:opacity-30"
              disabled={later === null}
              aria-label={`Render ${line.clip}, ${line.spec}, later`}
              title="Later"
              onClick={() => later !== null && onMove(id, later)}
            >
              <ChevronDown size={15} />
            </button>
          </>
        )}
        {line.state === 'FAILED' && (
          <button className="button button-small" onClick={() => onAgain(id)}>
            Try again
          </button>
        )}
        {line.state === 'DONE' ? (
          <a
            className="rounded p-1.5 hover:bg-desk"
            href={`/api/renderings/${id}/file?download=true`}
            aria-label={`Take home ${line.clip}, ${line.spec}`}
            title="Take it home"
          >
            <Download size={15} />
          </a>
        ) : (
          <button
            className="rounded p-1.5 hover:bg-desk"
            aria-label={`${line.state === 'FAILED' ? 'Let go of' : 'Cancel'} ${line.clip}, ${line.spec}`}
            title={line.state === 'FAILED' ? 'Let go of it' : 'Cancel'}
            onClick={() => onCancel(id)}
          >
            <X size={15} />
          </button>
        )}
      </div>
    </li>
  );
}
