import { create } from 'zustand';
import type { ClipState } from '../api/client';

export type Stage = 'pick' | 'pare' | 'frame' | 'letter' | 'deliver';
export const STAGES: Stage[] = ['pick', 'pare', 'frame', 'letter', 'deliver'];
export const isStage = (name: string | undefined): name is Stage => STAGES.some((s) => s === name);

export interface Selection {
  anchor: number;
  focus: number;
}

interface Workbench {
  selection: Selection | null;
  select: (anchor: number, focus: number) => void;
  clip: ClipState | null;
  /** Words struck on screen of which the server has not answered yet. */
  striking: Selection[];
  /** The pause that is selected, by the word before it. */
  pause: number | null;
  /** The gap that is selected. */
  gap: number | null;
  /** Whether the clip is heard without what cleans its voice, for the moment. */
  asRecorded: boolean;
  /** The removal that is looked at close up. */
  loupe: number | null;
  /** The seam that is looked at close up, by the place of the stretch after it. */
  seam: number | null;
  /** Words under the text field. */
  correcting: Selection | null;
  /** Words that were taken up to be put elsewhere. */
  carrying: Selection | null;
  /** What the stage that is gone to opens first. */
  toOpen: 'fit' | null;
  /** What undo is about. */
  lastEdited: 'clip' | 'transcript';
  saving: number;
  message: string | null;
  showStruck: boolean;
  playing: boolean;
  /** How fast it plays; 1 is as spoken. */
  rate: number;
  hits: { from: number; to: number }[];
  hit: number;
}

/** What the open episode's screen shows. */
export const useWorkbench = create<Workbench>((set) => ({
  selection: null,
  select: (anchor, focus) => set({ selection: { anchor, focus }, pause: null, gap: null }),
  clip: null,
  striking: [],
  pause: null,
  gap: null,
  asRecorded: false,
  loupe: null,
  seam: null,
  correcting: null,
  carrying: null,
  toOpen: null,
  lastEdited: 'clip',
  saving: 0,
  message: null,
  showStruck: true,
  playing: false,
  rate: 1,
  hits: [],
  hit: 0,
}));

export const ordered = (s: Selection): [number, number] =>
  s.anchor <= s.focus ? [s.anchor, s.focus] : [s.focus, s.anchor];
