import type { Programme } from './programme';

/** A picture that can be drawn in part. */
export interface Drawable {
  displayWidth: number;
  draw(context: CanvasRenderingContext2D, sx: number, sy: number, sw: number, sh: number, dx: number, dy: number, dw: number, dh: number): void;
  draw(context: CanvasRenderingContext2D, dx: number, dy: number, dw: number, dh: number): void;
}

/** Draws a picture as the frame of the programme that it is. */
export type Draw = (picture: Drawable, frame: number) => void;

/** Plays a programme and draws its pictures. Times are microseconds of the programme. */
export interface Player {
  readonly playing: boolean;
  readonly position: number;
  readonly rate: number;
  setProgramme(programme: Programme, atUs: number): Promise<void>;
  setRate(rate: number): Promise<void>;
  seek(us: number): Promise<void>;
  play(): Promise<void>;
  pause(): void;
  redraw(): void;
  destroy(): void;
}

export const RATES = [0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3];

/** The player of the open episode, for the keyboard and the galley. */
export const current: { player: Player | null; seekEpisode: (us: number) => void } = {
  player: null,
  seekEpisode: () => undefined,
};

export function togglePlay() {
  const player = current.player;
  if (!player) return;
  if (player.playing) player.pause();
  else void player.play();
}
