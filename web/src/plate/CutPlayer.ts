import { ALL_FORMATS, AudioBufferSink, Input, UrlSource, VideoSampleSink, InputDisposedError } from 'mediabunny';
import { carriedOver, goOnAlike, type Range } from './edited';
import { PictureFeed, pictureAt, picturesFrom, sleep } from './PictureFeed';
import type { Draw, Player } from './player';
import { LONGEST_PIECE_US, soundPieces, toEpisode, type Programme, type SoundPiece } from './programme';
import { SoundClock } from './SoundClock';
import { SoundFeed } from './SoundFeed';

const SOUND_AHEAD_S = 6;
const SOUND_LOOKED_AFTER_MS = 120;
/** Short, since stretching keeps the page busy while it lasts. */
const STRETCHED_PIECE_US = 2_000_000;
/** Less than this before its end it begins anew. */
const NEARLY_OVER_US = 20_000;

/** What was still being read when the page was left is not missed. */
function unlessLeft(error: unknown) {
  if (!(error instanceof InputDisposedError)) throw error;
}

/**
 * Plays a cut list without gaps: sound is scheduled by the sample on the audio clock, with the same
 * cross-fades as the export, and the picture follows that clock.
 */
export class CutPlayer implements Player {
  private readonly input: Input;
  private video: VideoSampleSink | null = null;
  private audio: AudioBufferSink | null = null;
  private readonly clock = new SoundClock();
  private readonly sounds = new SoundFeed();
  private readonly pictures = new PictureFeed();
  private programme: Programme | null = null;
  private session = 0;
  private positionUs = 0;
  private stillAt = -1;
  private stillWanted: number | null = null;
  private stillBusy = false;
  private readonly ready: Promise<void>;
  /** Frames that were shown later than the frame after them was due, for tests and for honesty. */
  lateFrames = 0;
  shownFrames = 0;
  playing = false;
  private speed = 1;
  private range: Range | null = null;
  /** A programme that goes on from here just like the one that plays, and how far its clock is ahead of that one's. */
  private exchanged: { programme: Programme; us: number; frames: number } | null = null;

  constructor(
    url: string,
    private readonly draw: Draw,
    private readonly moved: (us: number) => void,
    private readonly stopped: () => void,
  ) {
    this.input = new Input({ source: new UrlSource(url), formats: ALL_FORMATS });
    this.ready = this.open();
  }

  private async open() {
    const picture = await this.input.getPrimaryVideoTrack();
    const sound = await this.input.getPrimaryAudioTrack();
    if (picture) this.video = new VideoSampleSink(picture);
    if (sound) this.audio = new AudioBufferSink(sound);
  }

  get position() {
    return this.positionUs + (this.exchanged?.us ?? 0);
  }

  /**
   * Exchanges what is played; goes on playing from the given time of the new programme. Where both go on
   * alike, as when a sentence already heard is dropped, nothing is interrupted. A range that is heard over
   * and over stays one where the programme is the same clip, edited.
   */
  async setProgramme(programme: Programme, atUs: number, edited = false) {
    const wasPlaying = this.playing;
    if (wasPlaying && this.programme && !this.range && this.clock.isRunning) {
      const us = atUs - this.positionUs;
      if (goOnAlike(this.programme, this.positionUs, programme, atUs)) {
        this.exchanged = { programme, us, frames: Math.round((us / 1e6) * programme.rate) };
        return;
      }
    }
    const range = edited && this.range && this.programme ? carriedOver(this.range, this.programme, programme) : null;
    this.halt();
    this.programme = programme;
    this.range = range;
    this.positionUs = Math.max(0, Math.min(programme.lengthUs, atUs));
    this.stillAt = -1;
    if (wasPlaying) await this.play();
    else await this.showStill();
  }

  get rate() {
    return this.speed;
  }

  /** How fast it plays, 0.5 to 3 times, at the pitch it was spoken. */
  async setRate(rate: number) {
    if (rate === this.speed) return;
    const at = this.now() + (this.exchanged?.us ?? 0);
    const wasPlaying = this.playing;
    const range = this.range;
    this.halt();
    this.positionUs = at;
    this.speed = rate;
    this.range = range;
    if (wasPlaying) await this.play();
  }

  async playRange(fromUs: number, toUs: number, loop: boolean) {
    this.halt();
    const before = this.programme;
    await this.seek(fromUs);
    const range = { fromUs, toUs, loop };
    const now = this.programme;
    // It may have been edited while it began anew.
    this.range = before && now && now !== before ? carriedOver(range, before, now) : range;
    if (this.range) this.positionUs = this.range.fromUs;
    await this.play();
  }

  async seek(us: number) {
    if (!this.programme) return;
    const wasPlaying = this.playing;
    this.halt();
    this.positionUs = Math.max(0, Math.min(this.programme.lengthUs, us));
    this.moved(this.positionUs);
    if (wasPlaying) await this.play();
    else await this.showStill();
  }

  async play() {
    if (!this.programme || this.programme.lengthUs === 0) return;
    await this.ready;
    const context = await this.clock.open();
    // It may have been edited meanwhile.
    const programme = this.programme;
    if (programme.lengthUs === 0) return;
    if (this.positionUs >= programme.lengthUs - NEARLY_OVER_US) this.positionUs = 0;
    const session = ++this.session;
    const isWanted = () => session === this.session;
    this.playing = true;
    const fromUs = this.positionUs;
    this.clock.arm(fromUs, this.speed);
    const pieces = soundPieces(programme, fromUs, this.speed === 1 ? LONGEST_PIECE_US : STRETCHED_PIECE_US);
    const opening = pieces.next();
    const soundOf = (piece: SoundPiece) => this.sounds.piece(context, this.audio, programme, piece, this.speed);
    const buffer = opening.done ? null : await soundOf(opening.value);
    const pictures = this.video ? picturesFrom(this.video, programme, this.frameAt(fromUs)) : null;
    const picture = await pictures?.next();
    if (!isWanted()) {
      if (picture && !picture.done) picture.value.sample.close();
      await pictures?.return(undefined);
      return;
    }
    if (picture && !picture.done) this.pictures.push(picture.value);
    this.clock.start();
    if (buffer && !opening.done) this.clock.schedule(opening.value, buffer);
    void this.feedSound(pieces, soundOf, isWanted);
    if (pictures) void this.pictures.fill(pictures, isWanted).catch(unlessLeft);
    this.tick(session);
  }

  pause() {
    const us = this.now() + (this.exchanged?.us ?? 0);
    this.halt();
    this.positionUs = us;
    this.moved(us);
    this.stopped();
    void this.showStill();
  }

  private halt() {
    if (this.exchanged) {
      this.positionUs += this.exchanged.us;
      this.programme = this.exchanged.programme;
      this.exchanged = null;
      this.stillAt = -1;
    }
    this.range = null;
    this.session++;
    this.playing = false;
    this.clock.stop();
    this.pictures.clear();
  }

  destroy() {
    this.halt();
    this.clock.close();
    void this.ready.catch(unlessLeft);
    this.input.dispose();
  }

  private now() {
    if (!this.playing || !this.clock.isRunning) return this.positionUs;
    return Math.min(this.programme!.lengthUs, this.clock.nowUs);
  }

  private frameAt(us: number) {
    const p = this.programme!;
    const total = p.runs.reduce((n, r) => n + r.count, 0);
    return Math.max(0, Math.min(total - 1, Math.floor((us / 1e6) * p.rate + 1e-6)));
  }

  private async feedSound(
    pieces: Generator<SoundPiece>,
    soundOf: (piece: SoundPiece) => Promise<AudioBuffer | null>,
    isWanted: () => boolean,
  ) {
    for (const piece of pieces) {
      while (isWanted() && (piece.atUs - this.now()) / 1e6 / this.speed > SOUND_AHEAD_S)
        await sleep(SOUND_LOOKED_AFTER_MS);
      if (!isWanted()) return;
      const buffer = await soundOf(piece);
      if (!isWanted()) return;
      if (buffer) this.clock.schedule(piece, buffer);
    }
  }

  private tick(session: number) {
    if (session !== this.session) return;
    const us = this.now();
    this.positionUs = us;
    const due = this.frameAt(us);
    const shown = this.pictures.takeDue(due);
    if (shown) {
      if (due - shown.frame > 1) this.lateFrames++;
      this.shownFrames++;
      this.draw(shown.sample, shown.frame + (this.exchanged?.frames ?? 0));
      this.stillAt = shown.frame;
      shown.sample.close();
    }
    this.moved(this.position);
    if (this.range && us >= this.range.toUs) {
      const { fromUs, toUs, loop } = this.range;
      if (loop) void this.playRange(fromUs, toUs, true);
      else this.pause();
      return;
    }
    if (us >= this.programme!.lengthUs - 1_000) {
      this.halt();
      this.stopped();
      return;
    }
    requestAnimationFrame(() => this.tick(session));
  }

  private showStill() {
    return this.drawStill().catch(unlessLeft);
  }

  private async drawStill() {
    await this.ready;
    const p = this.programme;
    if (!p || !this.video || p.lengthUs === 0) return;
    this.stillWanted = this.frameAt(this.positionUs);
    if (this.stillBusy) return;
    this.stillBusy = true;
    try {
      while (this.stillWanted !== null && this.stillWanted !== this.stillAt && !this.playing) {
        const wanted: number = this.stillWanted;
        const programme: Programme = this.programme!;
        const sample = await pictureAt(this.video, programme, wanted);
        if (sample) {
          if (!this.playing) {
            this.draw(sample, wanted);
            this.stillAt = wanted;
          }
          sample.close();
        } else this.stillAt = wanted;
      }
    } finally {
      this.stillBusy = false;
    }
  }

  /** Draws the present picture again, as when the frame has moved. */
  redraw() {
    this.stillAt = -1;
    if (!this.playing) void this.showStill();
  }

  episodeTime() {
    return this.programme ? toEpisode(this.programme, this.now()) : 0;
  }
}
