import { createContext, useContext } from 'react';
import { useWorkbench } from '../workbench/store';
import type { Segment } from './framePath';
import type { Drawable, Player } from './player';
import { oneStretch, toEpisode, toProgramme, type Programme } from './programme';

const AROUND_US = 1_500_000;
const SHORTEST_LOOP_US = 50_000;

/** What plays in an open episode: the player of its plate and the programme that it plays. */
export class Playback {
  private player: Player | null = null;
  private shown: Programme | null = null;
  /** What was shown before a stretch was heard by itself. */
  private lent: { programme: Programme; atUs: number } | null = null;
  private goesOnAfterTyping = false;
  private whole: HTMLCanvasElement | null = null;
  private held: Segment | null = null;
  private paintAgain: ((whole: HTMLCanvasElement) => void) | null = null;

  get programme() {
    return this.shown;
  }

  get isReady() {
    return this.player !== null;
  }

  get isPlaying() {
    return this.player?.playing ?? false;
  }

  /**
   * @param paintAgain draws what shows out of the whole picture
   */
  attach(player: Player, paintAgain: (whole: HTMLCanvasElement) => void) {
    this.player = player;
    this.paintAgain = paintAgain;
  }

  detach() {
    this.player = null;
    this.paintAgain = null;
  }

  /** Shows the whole picture on a canvas from now on; null for no more. */
  showWholeOn(canvas: HTMLCanvasElement | null) {
    this.whole = canvas;
    this.player?.redraw();
  }

  /** To be told of every picture that is drawn. */
  lookOn(picture: Drawable, frame: number) {
    const context = this.whole?.getContext('2d');
    if (!context) return;
    picture.draw(context, 0, 0, context.canvas.width, context.canvas.height);
    context.canvas.dataset.frame = String(frame);
  }

  get dragged() {
    return this.held;
  }

  /** Shows something else than the frame's path says, for as long as somebody drags it; null when they have let go. */
  drag(segment: Segment | null) {
    this.held = segment;
    if (this.whole) this.paintAgain?.(this.whole);
  }

  /**
   * Exchanges the programme; what plays stays at the same moment of the episode.
   *
   * @param edited whether it is the same clip as before, edited
   * @returns where it stands then, in microseconds of the programme
   */
  show(next: Programme, edited: boolean): number {
    const before = this.shown;
    const at = before && this.player ? toProgramme(next, toEpisode(before, this.player.position)) : 0;
    const sameClip = edited && !this.lent;
    this.lent = null;
    this.shown = next;
    void this.player?.setProgramme(next, at >= next.lengthUs ? 0 : at, sameClip);
    return at;
  }

  /** To be told when the player comes to an end: after a stretch heard by itself, what was shown comes back. */
  ended() {
    useWorkbench.setState({ playing: false });
    const back = this.lent;
    if (!back) return;
    this.lent = null;
    this.shown = back.programme;
    void this.player?.setProgramme(back.programme, back.atUs);
  }

  toggle() {
    if (!this.player) return;
    if (this.player.playing) this.player.pause();
    else void this.player.play();
  }

  /** Plays from where it stands. */
  play() {
    useWorkbench.setState({ playing: true });
    void this.player?.play();
  }

  /** A little on or back, in microseconds of what plays. */
  nudge(byUs: number) {
    if (this.player) void this.player.seek(this.player.position + byUs);
  }

  /** Goes to a time of what plays. */
  seek(us: number) {
    if (this.player) void this.player.seek(us);
  }

  seekEpisode(us: number) {
    if (this.player && this.shown) void this.player.seek(toProgramme(this.shown, us));
  }

  /** Plays a stretch of the episode by itself, whether or not it was cut; what was shown comes back after. */
  hear(startUs: number, endUs: number) {
    const player = this.player;
    if (!player || !this.shown) return;
    this.lent ??= { programme: this.shown, atUs: player.position };
    this.shown = oneStretch(startUs, endUs, this.shown.rate);
    useWorkbench.setState({ playing: true });
    void player.setProgramme(this.shown, 0).then(() => player.play());
  }

  /** Plays over the moment where an episode time plays, from a little before to a little after. */
  hearAround(episodeUs: number, loop: boolean) {
    if (!this.player || !this.shown) return;
    const at = toProgramme(this.shown, episodeUs);
    useWorkbench.setState({ playing: true });
    void this.player.playRange(Math.max(0, at - AROUND_US), Math.min(this.shown.lengthUs, at + AROUND_US), loop);
  }

  /** Plays what is kept between two times of the episode, over and over. */
  hearLoop(startUs: number, endUs: number) {
    if (!this.player || !this.shown) return;
    const from = toProgramme(this.shown, startUs);
    const to = toProgramme(this.shown, endUs);
    if (to - from < SHORTEST_LOOP_US) return;
    useWorkbench.setState({ playing: true });
    void this.player.playRange(from, to, true);
  }

  /** Stops for as long as somebody types. */
  waitForTyping() {
    this.goesOnAfterTyping = this.isPlaying;
    if (!this.isPlaying) return;
    this.toggle();
    useWorkbench.setState({ playing: false });
  }

  /**
   * What played before somebody typed goes on.
   *
   * @param nextUs from where in the episode; null to stay stopped
   */
  goOnAfterTyping(nextUs: number | null) {
    if (nextUs !== null && this.goesOnAfterTyping) {
      this.seekEpisode(nextUs);
      this.play();
    }
    this.goesOnAfterTyping = false;
  }
}

export const PlaybackContext = createContext<Playback | null>(null);

/** The playback of the open episode. */
export function usePlayback(): Playback {
  const playback = useContext(PlaybackContext);
  if (!playback) throw new Error('Nothing is open that could be played');
  return playback;
}
