import type { Posting } from '../api/client';
import { assertNever } from '../ui/assertNever';

/** How something in the outbox stands, in a word or two. */
export function standing(posting: Posting): string {
  switch (posting.state) {
    case 'SCHEDULED':
      if (posting.tries > 0) return 'tried again';
      return posting.reasons.length ? 'waits' : 'scheduled';
    case 'SENDING':
      return 'being handed over';
    case 'ACCEPTED':
      return 'accepted';
    case 'REFUSED':
      return 'refused';
    case 'MISSED':
      return 'missed';
    case 'WITHDRAWING':
      return 'being taken back';
    case 'WITHDRAWN':
      return 'taken back';
    default:
      return assertNever(posting.state);
  }
}

/** Whether somebody has to do something about it. */
export const wantsHand = ({ state, reasons }: Posting) =>
  state === 'REFUSED' || state === 'MISSED' || (state === 'SCHEDULED' && reasons.length > 0);

export const canBePutOff = ({ state }: Posting) => state === 'SCHEDULED' || state === 'REFUSED' || state === 'MISSED';

export const canBeTakenBack = ({ state }: Posting) => state !== 'WITHDRAWING' && state !== 'WITHDRAWN';

export const timeOfDay = (at: string) =>
  new Date(at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });

export const dayAndTime = (at: string) =>
  new Date(at).toLocaleString(undefined, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
