import { useMemo } from 'react';
import { create } from 'zustand';
import type { ClipState } from '../api/client';
import type { CameraColours } from './cameraColours';
import type { Ground } from './framePath';
import { AS_RECORDED, type Look } from './look';
import { useFacesInClip, type Skin } from './skin';

interface ShownLook {
  /** What is tried while a slider moves, of one camera or of all that is seen (null); null while nothing is. */
  tried: { camera: number | null; look: Look } | null;
  /** How much skin is smoothed while that slider moves; null while it does not. */
  triedSkin: number | null;
  /** Whether the picture is seen as it was recorded, to compare. */
  asRecorded: boolean;
}

export const useShownLook = create<ShownLook>(() => ({
  tried: null,
  triedSkin: null,
  asRecorded: false,
}));

const NOT_MATCHED: CameraColours = { camera: -1, maps: [], looks: [] };

const withLook = (looks: Look[], camera: number, look: Look): Look[] =>
  Array.from({ length: Math.max(looks.length, camera + 1) }, (_, c) =>
    c === camera ? look : (looks[c] ?? AS_RECORDED),
  );

/** Whether the cameras of a clip look alike at the moment. */
export function useColours(clip: ClipState | null): CameraColours {
  const { tried, asRecorded } = useShownLook();
  const kept = clip?.framed.colours;
  return useMemo(() => {
    if (asRecorded || !kept) return NOT_MATCHED;
    return tried?.camera == null ? kept : { ...kept, looks: withLook(kept.looks, tried.camera, tried.look) };
  }, [asRecorded, kept, tried]);
}

/** How the picture of a clip looks at the moment. */
export function useLook(clip: ClipState | null): Look {
  const { tried, asRecorded } = useShownLook();
  if (asRecorded || !clip) return AS_RECORDED;
  return tried && tried.camera === null ? tried.look : clip.framed.look;
}

/**
 * What is seen behind people of a clip at the moment; null for what was recorded.
 *
 * @param people how many are in the picture
 */
export function useBehind(clip: ClipState | null, people: number): Ground | null {
  const asRecorded = useShownLook((s) => s.asRecorded);
  return asRecorded || !clip || people === 0 ? null : clip.framed.behind;
}

/** Whose skin is smoothed at the moment, and how much. */
export function useSkin(clip: ClipState | null, people: number): Skin {
  const { triedSkin, asRecorded } = useShownLook();
  const amount = asRecorded || !clip || people === 0 ? 0 : (triedSkin ?? clip.framed.skin);
  const faces = useFacesInClip(clip, amount > 0);
  return useMemo(() => ({ amount, faces }), [amount, faces]);
}
