import type { CutPlayer } from './CutPlayer';

/** The player of the open episode, for the keyboard and the galley. */
export const current: { player: CutPlayer | null; seekEpisode: (us: number) => void } = {
  player: null,
  seekEpisode: () => undefined,
};

export function togglePlay() {
  const player = current.player;
  if (!player) return;
  if (player.playing) player.pause();
  else void player.play();
}
