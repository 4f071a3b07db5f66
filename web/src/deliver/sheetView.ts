import type { Cell, Sheet } from '../api/client';
import { assertNever } from '../ui/assertNever';

export type Line = Sheet['lines'][number];

/** In what order the clips stand. */
export type Order = 'made' | 'title' | 'longest' | 'hand';

/** Which of the clips are shown. */
export type Shown = 'all' | 'hand' | 'open' | 'ready';

/** Whether there is a file of the clip as it is now, and nothing is wrong with it. */
export const isReady = (cell: Cell) => cell.state === 'DONE' && cell.current && cell.right;

/** Whether somebody has to do something before it can go out. */
export const needsHand = (cell: Cell) =>
  cell.asked && (!cell.passes || cell.state === 'FAILED' || (cell.state === 'DONE' && cell.current && !cell.right));

const asked = (line: Line) => line.cells.filter((c) => c.asked);

function isShown(line: Line, shown: Shown): boolean {
  switch (shown) {
    case 'all':
      return true;
    case 'hand':
      return line.cells.some(needsHand);
    case 'open':
      return !asked(line).length || asked(line).some((c) => !isReady(c));
    case 'ready':
      return asked(line).length > 0 && asked(line).every(isReady);
    default:
      return assertNever(shown);
  }
}

function before(one: Line, other: Line, order: Order): number {
  switch (order) {
    case 'made':
      return 0;
    case 'title':
      return one.title.localeCompare(other.title, undefined, { numeric: true });
    case 'longest':
      return other.lengthUs - one.lengthUs;
    case 'hand':
      return Number(other.cells.some(needsHand)) - Number(one.cells.some(needsHand));
    default:
      return assertNever(order);
  }
}

/** The clips that are shown, in order; those that are alike stay in the order they were made in. */
export const arranged = (lines: Line[], shown: Shown, order: Order) =>
  lines.filter((l) => isShown(l, shown)).sort((a, b) => before(a, b, order));

/** Whether all of some cells are asked for, none, or some. */
export function ticked(cells: Cell[]): 'all' | 'some' | 'none' {
  const count = cells.filter((c) => c.asked).length;
  return count === 0 ? 'none' : count === cells.length ? 'all' : 'some';
}
