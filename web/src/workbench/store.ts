import { create } from 'zustand';
import type { ClipState } from '../api/client';

export type Stage = 'pick' | 'pare' | 'frame' | 'letter' | 'deliver';
export const STAGES: Stage[] = ['pick', 'pare', 'frame', 'letter', 'deliver'];

interface Selection {
  anchor: number;
  focus: number;
}

interface Workbench {
  selection: Selection | null;
  select: (anchor: number, focus: number) => void;
  clearSelection: () => void;
  clip: ClipState | null;
  setClip: (clip: ClipState | null) => void;
  /** Words struck on screen before the server has answered. */
  striking: Selection | null;
  saving: number;
  message: string | null;
  say: (message: string | null) => void;
  showStruck: boolean;
  setShowStruck: (show: boolean) => void;
  playing: boolean;
  hits: { from: number; to: number }[];
  hit: number;
}

/** What the open episode's screen shows. */
export const useWorkbench = create<Workbench>((set) => ({
  selection: null,
  select: (anchor, focus) => set({ selection: { anchor, focus } }),
  clearSelection: () => set({ selection: null }),
  clip: null,
  setClip: (clip) => set({ clip }),
  striking: null,
  saving: 0,
  message: null,
  say: (message) => set({ message }),
  showStruck: true,
  setShowStruck: (showStruck) => set({ showStruck }),
  playing: false,
  hits: [],
  hit: 0,
}));

export const ordered = (s: Selection): [number, number] =>
  s.anchor <= s.focus ? [s.anchor, s.focus] : [s.focus, s.anchor];
