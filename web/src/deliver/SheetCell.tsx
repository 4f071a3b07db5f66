import type { KeyboardEvent } from 'react';
import { X } from 'lucide-react';
import { api, type Cell } from '../api/client';
import { assertNever } from '../ui/assertNever';
import { clock, sizeText } from '../ui/time';
import type { Stage } from '../workbench/store';
import { firstOf, goToRepair, repairName } from './repairs';
import { isReady } from './sheetView';

/** What was found of a cell: the first of it, and how much more there is. */
function foundIn(cell: Cell): string {
  const found = cell.checks.filter((c) => c.verdict === 'FAILS' || c.verdict === 'NOTE');
  const more = found.length - 1;
  return found.length ? `${firstOf(found)!.text}${more ? `, and ${more} more` : ''}` : 'passes';
}

/** How a cell stands, in a word. */
function standing(cell: Cell): string {
  const { state } = cell;
  switch (state) {
    case null:
      return foundIn(cell);
    case 'RENDERING':
      if (cell.progress >= 1) return 'being checked';
      return cell.secondsLeft === null ? 'rendering' : `rendering, ${clock(cell.secondsLeft * 1e6)} left`;
    case 'WAITING':
      return 'waiting';
    case 'FAILED':
      return 'failed; render again';
    case 'CANCELLED':
      return 'cancelled';
    case 'DONE':
      if (!cell.current) return 'changed since it was rendered';
      return cell.right ? `${sizeText(cell.bytes)}, ready to post` : `not right: ${firstOf(cell.measured)!.text}`;
    default:
      return assertNever(state);
  }
}

/** A clip for a spec: asked for or not, whether it will pass, how its file stands. */
export function SheetCell({
  line,
  cell,
  spec,
  chosen,
  place,
  reached,
  onKey,
  onReach,
  onChoose,
  onToggle,
  onOpen,
}: {
  line: { clipId: number; lengthUs: number; title: string };
  cell: Cell;
  /** What it is called. */
  spec: string;
  chosen: boolean;
  /** Row and column. */
  place: string;
  /** Whether the tabulator key comes to it. */
  reached: boolean;
  onKey: (event: KeyboardEvent<HTMLButtonElement>) => void;
  onReach: () => void;
  onChoose: () => void;
  onToggle: () => void;
  onOpen: (stage: Stage) => void;
}) {
  const first = firstOf(cell.checks);
  const fails = cell.checks.find((c) => c.verdict === 'FAILS');
  const ready = isReady(cell);
  const busy = cell.state === 'RENDERING' || cell.state === 'WAITING';
  return (
    <div
      role="gridcell"
      aria-selected={chosen}
      data-testid={`cell-${line.clipId}-${cell.spec}`}
      data-state={cell.state ?? 'NONE'}
      className={`relative w-[160px] shrink-0 overflow-hidden rounded-lg border px-3 py-2 has-[[data-at]:focus-visible]:border-accent ${chosen ? 'border-accent shadow-[inset_0_0_0_1px_var(--accent)]' : 'border-rule'} ${!cell.asked ? 'border-dashed' : ''} ${ready ? 'bg-steelwash' : ''} ${cell.asked && fails ? 'hatched' : ''}`}
    >
      <div className="flex items-start justify-between">
        <button
          className="min-h-6 text-left"
          data-at={place}
          tabIndex={reached ? 0 : -1}
          onKeyDown={onKey}
          onKeyUp={(e) => e.key === ' ' && e.preventDefault()}
          onFocus={onReach}
          onClick={onChoose}
        >
          <b className="font-semibold tabular-nums">{clock(line.lengthUs)}</b>
        </button>
        <input
          type="checkbox"
          className="accent-[var(--steel)]"
          checked={cell.asked}
          onChange={onToggle}
          aria-label={`${line.title} for ${spec}`}
        />
      </div>
      <button className="block min-h-6 w-full text-left text-[12.5px] leading-snug text-soft" onClick={onChoose}>
        {cell.asked ? standing(cell) : fails ? fails.text : 'not for this'}
      </button>
      {cell.asked && !busy && !ready && first?.repair && (
        <button
          className="link min-h-6 text-[12.5px]"
          onClick={() => {
            onChoose();
            goToRepair(first.repair!, onOpen);
          }}
        >
          {repairName(first.repair)}
        </button>
      )}
      {busy && (
        <>
          <div className="absolute inset-x-0 bottom-0 h-[4px] bg-rule">
            <div className="h-full bg-steel" style={{ width: `${cell.progress * 100}%` }} />
          </div>
          <button
            className="absolute right-2 bottom-2 text-faint"
            aria-label="Cancel"
            onClick={() => void api.cancel(cell.renderingId!)}
          >
            <X size={14} />
          </button>
        </>
      )}
    </div>
  );
}
