import type { Cell } from '../api/client';
import { assertNever } from '../ui/assertNever';
import { useWorkbench, type Stage } from '../workbench/store';

export type Check = Cell['checks'][number];
export type Repair = NonNullable<Check['repair']>;

/** What is written on the way to where something is put right. */
export function repairName(repair: Repair): string {
  switch (repair) {
    case 'FIT':
      return 'Fit';
    case 'CAPTIONS':
      return 'To the captions';
    case 'FRAME':
      return 'To the frame';
    case 'TEXT':
      return 'Write it';
    case 'WORDS':
      return 'To the words';
    default:
      return assertNever(repair);
  }
}

/** Goes to where something is put right; what stays on the sheet is left to whoever asks. */
export function goToRepair(repair: Repair, open: (stage: Stage) => void) {
  switch (repair) {
    case 'FIT':
      useWorkbench.setState({ toOpen: 'fit' });
      return open('pare');
    case 'CAPTIONS':
      return open('letter');
    case 'FRAME':
      return open('frame');
    case 'WORDS':
      return open('pare');
    case 'TEXT':
      return;
    default:
      return assertNever(repair);
  }
}

/** What is to be told of a cell first: what fails, else what is worth knowing. */
export const firstOf = (checks: Check[]) =>
  checks.find((c) => c.verdict === 'FAILS') ?? checks.find((c) => c.verdict === 'NOTE');
