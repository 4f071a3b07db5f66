import type { ClipState } from '../api/client';
import { clipLayout, toEpisode } from '../plate/programme';
import type { LanePiece } from './Lane';

/** Puts what has times of the clip beside the words it plays with. */
export function beside(clip: ClipState, pieces: LanePiece[]): LanePiece[] {
  const layout = clipLayout(clip.pared);
  return pieces.map((piece) => ({
    ...piece,
    startUs: toEpisode(layout, piece.startUs),
    endUs: toEpisode(layout, piece.endUs - 1) + 1,
  }));
}
