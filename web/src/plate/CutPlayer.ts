import { ALL_FORMATS, AudioBufferSink, Input, UrlSource, VideoSampleSink, type VideoSample } from 'mediabunny';
import type { Draw, Player } from './player';
import { LONGEST_PIECE_US, soundPieces, toEpisode, type Programme, type SoundPiece } from './programme';
import { timeStretch } from './timeStretch';

const RATE = 48_000;
const FADE_S = 0.01;
const QUEUE = 12;
const SOUND_AHEAD_S = 6;
/** Short, since stretching keeps the page busy while it lasts. */
const STRETCHED_PIECE_US = 2_000_000;

/** A decoded picture and the frame of the programme that it is. */
interface Frame {
  frame: number;
  sample: VideoSample;
}

/**
 * Plays a cut list without gaps: sound is scheduled by the sample on the audio clock, with the same
 * cross-fades as the export, and the picture follows that clock.
 */
export class CutPlayer implements Player {
  private readonly input: Input;
  private video: VideoSampleSink | null = null;
  private audio: AudioBufferSink | null = null;
  private audioContext: AudioContext | null = null;
  private gain: GainNode | null = null;
  private programme: Programme | null = null;
  private playFrom = 0;
  private startedAt = 0;
  private session = 0;
  private positionUs = 0;
  private stillAt = -1;
  private stillWanted: number | null = null;
  private stillBusy = false;
  private frames: Frame[] = [];
  private readonly ready: Promise<void>;
  /** Frames that were shown later than the frame after them was due, for tests and for honesty. */
  lateFrames = 0;
  shownFrames = 0;
  playing = false;
  private speed = 1;
  private range: { fromUs: number; toUs: number; loop: boolean } | null = null;

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
    return this.positionUs;
  }

  /** Exchanges what is played; goes on playing from the given time of the new programme. */
  async setProgramme(programme: Programme, atUs: number) {
    const wasPlaying = this.playing;
    this.halt();
    this.programme = programme;
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
    const at = this.now();
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
    await this.seek(fromUs);
    this.range = { fromUs, toUs, loop };
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
    const programme = this.programme;
    if (!programme || programme.lengthUs === 0) return;
    await this.ready;
    if (!this.audioContext) {
      this.audioContext = new AudioContext({ sampleRate: RATE, latencyHint: 'interactive' });
    }
    await this.audioContext.resume();
    if (this.positionUs >= programme.lengthUs - 20_000) this.positionUs = 0;
    const session = ++this.session;
    this.playing = true;
    this.gain = this.audioContext.createGain();
    this.gain.connect(this.audioContext.destination);
    this.playFrom = this.positionUs;
    const first = soundPieces(programme, this.playFrom, this.speed === 1 ? LONGEST_PIECE_US : STRETCHED_PIECE_US);
    const opening = first.next();
    const buffer = opening.done ? null : await this.soundOf(opening.value);
    const pictures = this.pictures(programme, this.frameAt(this.playFrom));
    const picture = await pictures.next();
    if (session !== this.session) {
      if (!picture.done) picture.value.sample.close();
      await pictures.return(undefined);
      return;
    }
    if (!picture.done) this.frames.push(picture.value);
    this.startedAt = this.audioContext.currentTime + 0.06;
    if (buffer && !opening.done) this.schedule(opening.value, buffer);
    void this.feedSound(first, session);
    void this.feedPictures(pictures, session);
    this.tick(session);
  }

  pause() {
    const us = this.now();
    this.halt();
    this.positionUs = us;
    this.moved(us);
    this.stopped();
    void this.showStill();
  }

  private halt() {
    this.range = null;
    this.session++;
    this.playing = false;
    this.gain?.disconnect();
    this.gain = null;
    for (const f of this.frames) f.sample.close();
    this.frames = [];
  }

  destroy() {
    this.halt();
    void this.audioContext?.close();
    this.input.dispose();
  }

  private now() {
    if (!this.playing || !this.audioContext || this.startedAt === 0) return this.positionUs;
    const passed = Math.max(0, this.audioContext.currentTime - this.startedAt) * this.speed;
    return Math.min(this.programme!.lengthUs, this.playFrom + passed * 1e6);
  }

  private frameAt(us: number) {
    const p = this.programme!;
    const total = p.runs.reduce((n, r) => n + r.count, 0);
    return Math.max(0, Math.min(total - 1, Math.floor((us / 1e6) * p.rate + 1e-6)));
  }

  private async feedSound(pieces: Generator<SoundPiece>, session: number) {
    for (const piece of pieces) {
      while (session === this.session && (piece.atUs - this.now()) / 1e6 / this.speed > SOUND_AHEAD_S) await sleep(120);
      if (session !== this.session) return;
      const buffer = await this.soundOf(piece);
      if (session !== this.session) return;
      if (buffer) this.schedule(piece, buffer);
    }
  }

  /** One piece as one buffer, with the fade's handles on both sides and the fades baked in. */
  private async soundOf(piece: SoundPiece): Promise<AudioBuffer | null> {
    if (!this.audio || !this.audioContext) return null;
    const stretched = this.speed !== 1;
    const fadeIn = piece.fadeIn || stretched;
    const fadeOut = piece.fadeOut || stretched;
    const lead = fadeIn ? (FADE_S / 2) * this.speed : 0;
    const trail = fadeOut ? (FADE_S / 2) * this.speed : 0;
    const from = Math.round((piece.startUs / 1e6 - lead) * RATE);
    const to = Math.round((piece.endUs / 1e6 + trail) * RATE);
    const channels = [0, 1].map(() => new Float32Array(Math.max(1, to - from)));
    for await (const { buffer, timestamp } of this.audio.buffers(Math.max(0, from / RATE - 0.03), to / RATE)) {
      const at = Math.round(timestamp * RATE) - from;
      for (let c = 0; c < 2; c++) {
        const data = buffer.getChannelData(Math.min(c, buffer.numberOfChannels - 1));
        const skip = Math.max(0, -at);
        const place = Math.max(0, at);
        const count = Math.min(data.length - skip, channels[c].length - place);
        if (count > 0) channels[c].set(data.subarray(skip, skip + count), place);
      }
    }
    if (!this.audioContext) return null;
    const fade = Math.round(FADE_S * RATE);
    const paced = timeStretch(channels, this.speed, RATE);
    const out = this.audioContext.createBuffer(2, paced[0].length, RATE);
    for (let c = 0; c < 2; c++) {
      const data = paced[c];
      for (let k = 0; k < fade && k < data.length; k++) {
        const gain = Math.sin((Math.PI / 2) * ((k + 0.5) / fade));
        if (fadeIn) data[k] *= gain;
        if (fadeOut) data[data.length - 1 - k] *= gain;
      }
      out.copyToChannel(data, c);
    }
    return out;
  }

  private schedule(piece: SoundPiece, buffer: AudioBuffer) {
    if (!this.audioContext || !this.gain) return;
    const node = this.audioContext.createBufferSource();
    node.buffer = buffer;
    node.connect(this.gain);
    const lead = piece.fadeIn || this.speed !== 1 ? FADE_S / 2 : 0;
    const at = this.startedAt + (piece.atUs - this.playFrom) / 1e6 / this.speed - lead;
    const late = this.audioContext.currentTime - at;
    if (late > 0) node.start(0, late);
    else node.start(at);
  }

  private async *pictures(programme: Programme, fromFrame: number): AsyncGenerator<Frame> {
    if (!this.video) return;
    const period = 1 / programme.rate;
    for (const run of programme.runs) {
      const skip = Math.max(0, fromFrame - run.clipFrame);
      if (skip >= run.count) continue;
      const first = run.episodeFrame + skip;
      const end = run.episodeFrame + run.count;
      const samples = this.video.samples((first + 0.25) * period, (end - 0.25) * period);
      for await (const sample of samples) {
        const episodeFrame = Math.round(sample.timestamp * programme.rate);
        if (episodeFrame < first || episodeFrame >= end) {
          sample.close();
          continue;
        }
        yield { frame: run.clipFrame + episodeFrame - run.episodeFrame, sample };
      }
    }
  }

  private async feedPictures(pictures: AsyncGenerator<Frame>, session: number) {
    for await (const picture of pictures) {
      while (session === this.session && this.frames.length >= QUEUE) await sleep(8);
      if (session !== this.session) {
        picture.sample.close();
        await pictures.return(undefined);
        return;
      }
      this.frames.push(picture);
    }
  }

  private tick(session: number) {
    if (session !== this.session) return;
    const us = this.now();
    this.positionUs = us;
    const due = this.frameAt(us);
    let shown: Frame | null = null;
    while (this.frames.length && this.frames[0].frame <= due) {
      shown?.sample.close();
      shown = this.frames.shift()!;
    }
    if (shown) {
      if (due - shown.frame > 1) this.lateFrames++;
      this.shownFrames++;
      this.draw(shown.sample, shown.frame);
      this.stillAt = shown.frame;
      shown.sample.close();
    }
    this.moved(us);
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

  private async showStill() {
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
        const run = programme.runs.find((r) => wanted >= r.clipFrame && wanted < r.clipFrame + r.count);
        const episodeFrame = run ? run.episodeFrame + wanted - run.clipFrame : 0;
        const sample = await this.video.getSample((episodeFrame + 0.5) / programme.rate);
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

const sleep = (ms: number) => new Promise((r) => setTimeout(r, ms));
