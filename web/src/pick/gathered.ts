import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Words gathered for a clip; from any episode. */
export interface GatheredPiece {
  key: number;
  episodeId: number;
  episode: string;
  firstWord: number;
  lastWord: number;
  startUs: number;
  lengthUs: number;
  text: string;
}

/** What has been gathered so far, in the order in which it will play; kept in the browser. */
export const useGathered = create<{ pieces: GatheredPiece[] }>()(
  persist<{ pieces: GatheredPiece[] }>(() => ({ pieces: [] }), { name: 'paring-knife-gathered' }),
);

export function gather(piece: Omit<GatheredPiece, 'key'>) {
  useGathered.setState((s) => ({
    pieces: [...s.pieces, { ...piece, key: 1 + Math.max(0, ...s.pieces.map((p) => p.key)) }],
  }));
}

export function drop(key: number) {
  useGathered.setState((s) => ({ pieces: s.pieces.filter((p) => p.key !== key) }));
}

/** Moves a piece up (-1) or down (1). */
export function shift(key: number, by: number) {
  useGathered.setState((s) => {
    const at = s.pieces.findIndex((p) => p.key === key);
    const to = at + by;
    if (at < 0 || to < 0 || to >= s.pieces.length) return s;
    const pieces = [...s.pieces];
    [pieces[at], pieces[to]] = [pieces[to], pieces[at]];
    return { pieces };
  });
}
