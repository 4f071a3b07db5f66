import type { Cue, DoubtfulWord, TranscriptColumns } from '../api/client';
import { wordAt } from '../galley/setLines';
import type { Playback } from '../plate/Playback';
import { usePlayhead } from '../plate/playhead';
import type { ClipChanges } from '../workbench/changes';
import type { Corrections } from '../workbench/corrections';
import { useWorkbench, type Stage } from '../workbench/store';

/** What the keys work on. */
export interface Desk {
  playback: Playback;
  changes: ClipChanges;
  transcript: TranscriptColumns;
  corrections: Corrections;
  doubtful: DoubtfulWord[];
  /** Words of the clip with remarks that are open. */
  remarked: number[];
  /** The captions, where they are worked on. */
  cues: Cue[] | null;
  /** Length of a frame of the recording. */
  frameUs: number;
  goTo: (stage: Stage) => void;
  help: () => void;
  gatherSelected: () => void;
  makeClip: () => void;
  mark: () => Promise<void>;
  undo: () => void;
  redo: () => void;
}

/** A key as it was meant, whatever other key it was exchanged with. */
export interface Pressed {
  key: string;
  event: KeyboardEvent;
}

/** Acts on a key; false where it is not for it. */
export type Keys = (pressed: Pressed, desk: Desk) => boolean;

/** The word under the playhead; -1 before the first. */
export const wordHere = (desk: Desk) => wordAt(desk.transcript.startUs, usePlayhead.getState().episodeUs + 1);

/** Goes to a moment of the episode, unless something plays. */
export function standAt(desk: Desk, us: number) {
  if (!useWorkbench.getState().playing) desk.playback.seekEpisode(us);
}
