import { create } from 'zustand';
import type { ClipState } from '../api/client';
import { AS_RECORDED, type Look } from './look';

interface ShownLook {
  /** What is tried while a slider moves; null while nothing is. */
  tried: Look | null;
  /** Whether the picture is seen as it was recorded, to compare. */
  asRecorded: boolean;
}

export const useShownLook = create<ShownLook>(() => ({ tried: null, asRecorded: false }));

/** How the picture of a clip looks at the moment. */
export function useLook(clip: ClipState | null): Look {
  const { tried, asRecorded } = useShownLook();
  if (asRecorded || !clip) return AS_RECORDED;
  return tried ?? clip.framed.look;
}
