import type { ComponentType } from 'react';
import type {
  Brief,
  ClipState,
  Cue,
  EpisodeCard,
  Pick,
  Preview,
  ShelfItem,
  Spec,
  TranscriptColumns,
} from '../api/client';
import type { LanePiece } from '../galley/Lane';
import type { ClipChanges } from './changes';
import type { Stage } from './store';

/** What is open on the bench; what has not arrived yet is null. */
export interface OpenEpisode {
  id: number;
  item: ShelfItem | null;
  card: EpisodeCard | null;
  transcript: TranscriptColumns | null;
  clips: ClipState[];
  /** The clip that is open; null while the whole episode is read. */
  clip: ClipState | null;
  preview: Preview | null;
  cues: Cue[] | null;
  specs: Spec[] | null;
  brief: Brief | null;
  picks: Pick[] | null;
  picksError: Error | null;
}

/** What can be done from any stage. */
export interface BenchActs {
  setBrief: (brief: Brief) => void;
  openClip: (clip: { id: number }, stage?: Stage) => void;
  keepWords: (first: number, last: number, open: boolean, title?: string) => Promise<void>;
  gatherSelected: () => void;
}

export interface StageProps {
  open: OpenEpisode;
  acts: BenchActs;
}

/** What a stage brings to the bench. */
export interface StageView {
  /** Stands in place of galley and plate. */
  Whole?: ComponentType<StageProps>;
  /** Over the galley, at its left. */
  Bar: ComponentType<StageProps>;
  /** Under the plate, or beside it where something stands over both. */
  Side: ComponentType<StageProps>;
  /** Over plate and side, which are wide then and have the bench's room too; for an open clip only. */
  Top?: ComponentType<StageProps>;
  /** Beside the plate, with the side below it; has the bench's room too, for an open clip only. */
  Beside?: ComponentType<StageProps>;
  /** Over the picture on the plate, for an open clip only. */
  OnPlate?: ComponentType<StageProps>;
  /** Under the galley. */
  Foot?: ComponentType<StageProps>;
  /** At the right edge. */
  Edge?: ComponentType<StageProps>;
  /** What stands beside the words; no lane without it. */
  lane?: {
    of: (clip: ClipState, open: OpenEpisode) => LanePiece[] | null;
    named: boolean;
    width?: number;
    /** Moves an end of a piece to another time. */
    retime?: (open: OpenEpisode, changes: ClipChanges, place: number, end: 'begin' | 'end', byUs: number) => void;
  };
  plateHeight: number;
  /** Whether safe zones are shown on the plate. */
  safeZones: boolean;
}
