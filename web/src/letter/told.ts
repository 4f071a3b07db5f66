import type { Cue, CueFault } from '../api/client';
import { assertNever } from '../ui/assertNever';

/** What is wrong with a caption, in a word. */
export function faultName(fault: CueFault): string {
  switch (fault) {
    case 'TOO_FAST':
      return 'too fast to read';
    case 'TOO_SHORT':
      return 'shows too short';
    case 'TOO_LONG':
      return 'shows too long';
    case 'TOO_WIDE':
      return 'a line is too wide';
    default:
      return assertNever(fault);
  }
}

/** How long a caption shows and how fast it reads. */
export function told(cue: Cue): string {
  const seconds = ((cue.played.endUs - cue.played.startUs) / 1e6).toFixed(1);
  const faults = cue.faults.map(faultName);
  return [`${seconds} s, ${Math.round(cue.charactersPerSecond)} a second`, ...faults].join(', ');
}
