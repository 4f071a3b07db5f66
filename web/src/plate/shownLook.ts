import { create } from 'zustand';
import type { ClipState } from '../api/client';
import type { MatchedColours } from './cameraColours';
import { AS_RECORDED, type Look } from './look';

interface ShownLook {
  /** What is tried while a slider moves; null while nothing is. */
  tried: Look | null;
  /** Whether the picture is seen as it was recorded, to compare. */
  asRecorded: boolean;
}

export const useShownLook = create<ShownLook>(() => ({ tried: null, asRecorded: false }));

const NOT_MATCHED: MatchedColours = { camera: -1, maps: [] };

/** Whether the cameras of a clip look alike at the moment. */
export function useColours(clip: ClipState | null): MatchedColours {
  const asRecorded = useShownLook((s) => s.asRecorded);
  return asRecorded || !clip ? NOT_MATCHED : clip.framed.colours;
}

/** How the picture of a clip looks at the moment. */
export function useLook(clip: ClipState | null): Look {
  const { tried, asRecorded } = useShownLook();
  if (asRecorded || !clip) return AS_RECORDED;
  return tried ?? clip.framed.look;
}
