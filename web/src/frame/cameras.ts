import type { ClipState, EpisodeCard } from '../api/client';
import type { Window } from '../plate/framePath';

type CameraCut = ClipState['framed']['cameras'][number];
type Cell = EpisodeCard['cameras'][number];

/** In place of a camera: whichever is best. */
export const BY_ITSELF = -1;

/** The camera in whose picture the middle of a window lies; of pictures side by side. */
export function cameraOf(window: Window, cameras: Cell[]): number {
  const across = window.x + window.width / 2;
  const down = window.y + window.height / 2;
  const found = cameras.findIndex(
    (c) => across >= c.x && across < c.x + c.width && down >= c.y && down < c.y + c.height,
  );
  return Math.max(0, found);
}

/** A time of a clip, or the one nearest to it. */
function within(us: number, stretches: ClipState['pared']['stretches']): number {
  const times = stretches.map((s) => Math.max(s.startUs, Math.min(s.endUs - 1, us)));
  return times.reduce((nearest, time) => (Math.abs(time - us) < Math.abs(nearest - us) ? time : nearest), Infinity);
}

/** What was set last before a time of the episode, in the order of the clip. */
export function cameraCutAt(clip: Pick<ClipState, 'pared' | 'framed'>, us: number): CameraCut | null {
  let holding: CameraCut | null = null;
  const here = within(us, clip.pared.stretches);
  for (const { startUs, endUs } of clip.pared.stretches) {
    const standsHere = here >= startUs && here < endUs;
    const cuts = clip.framed.cameras.filter((c) => c.atUs >= startUs && c.atUs < endUs);
    for (const cut of cuts.sort((a, b) => a.atUs - b.atUs)) {
      if (standsHere && cut.atUs > here) return holding;
      holding = cut;
    }
    if (standsHere) return holding;
  }
  return holding;
}
