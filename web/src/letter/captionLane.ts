import type { ClipState, Cue } from '../api/client';
import { beside } from '../galley/beside';
import type { LanePiece } from '../galley/Lane';
import { told } from './told';
import { joined } from '../ui/spacing';

/** The captions beside the words that they show. */
export const captionPieces = (clip: ClipState, cues: Cue[]): LanePiece[] =>
  beside(
    clip,
    cues.map((cue, place) => ({
      ...cue.span,
      text: cue.lines.map((l) => joined(l.map((w) => w.text))).join(' / '),
      place: cue.added ? undefined : place,
      told: told(cue),
      warned: cue.faults.length > 0,
      marked: cue.setByHand.length > 0,
    })),
  );
