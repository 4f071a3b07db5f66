import type { Programme } from './programme';

/** A picture that can be drawn in part. */
export interface Drawable {
  displayWidth: number;
  draw(
    context: CanvasRenderingContext2D,
    sx: number,
    sy: number,
    sw: number,
    sh: number,
    dx: number,
    dy: number,
    dw: number,
    dh: number,
  ): void;
  draw(context: CanvasRenderingContext2D, dx: number, dy: number, dw: number, dh: number): void;
}

/** Draws a picture as the frame of the programme that it is. */
export type Draw = (picture: Drawable, frame: number) => void;

/** Plays a programme and draws its pictures. Times are microseconds of the programme. */
export interface Player {
  readonly playing: boolean;
  readonly position: number;
  readonly rate: number;
  setProgramme(programme: Programme, atUs: number, edited?: boolean): Promise<void>;
  setRate(rate: number): Promise<void>;
  seek(us: number): Promise<void>;
  play(): Promise<void>;
  /** Plays from one time to another, over and over when asked to. */
  playRange(fromUs: number, toUs: number, loop: boolean): Promise<void>;
  pause(): void;
  redraw(): void;
  destroy(): void;
}

export const RATES = [0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3];
