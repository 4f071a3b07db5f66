import { create } from 'zustand';
import { Refusal, SIGNED_OUT } from './client';

interface Line {
  server: boolean;
  database: boolean;
}

/** Who answers at the moment, as the stream of events tells at once. */
export const useLine = create<Line>(() => ({ server: true, database: true }));

/**
 * No answer at all; or the database, or the server behind a gateway, is out of reach for the moment; or the
 * server wants to know first who this is.
 */
const UNANSWERED = [0, SIGNED_OUT, 502, 503, 504];

export const unanswered = (error: unknown) => error instanceof Refusal && UNANSWERED.includes(error.status);
