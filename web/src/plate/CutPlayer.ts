import { ALL_FORMATS, AudioBufferSink, Input, UrlSource, VideoSampleSink, type VideoSample } from 'mediabunny';
import type { Draw, Player } from './player';
import { LONGEST_PIECE_US, soundPieces, toEpisode, toProgramme, type Programme, type SoundPiece } from './programme';
import { timeStretch } from './timeStretch';

const RATE = 48_000;
const FADE_S = 0.01;
const QUEUE = 12;
const SOUND_AHEAD_S = 6;
/** Short, since stretching keeps the page busy while it lasts. */
const STRETCHED_PIECE_US = 2_000_000;
const WAV_HEADER = 44;
/** Pieces kept after they were heard; the longest take 3 MB each. */
const KEPT_PIECES = 3;

interface Range {
  fromUs: number;
  toUs: number;
  loop: boolean;
}

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
  private readonly lately = new Map<string, AudioBuffer>();
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
    if (wasPlaying && this.programme && !this.range && this.startedAt > 0) {
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
    this.startedAt = 0;
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

  /** A piece ready to be heard; what was made lately is at hand, so that a loop begins again at once. */
  private async soundOf(piece: SoundPiece): Promise<AudioBuffer | null> {
    const key = JSON.stringify([piece, this.speed, this.programme?.joined]);
    const buffer = this.lately.get(key) ?? (await this.madeSound(piece));
    this.lately.delete(key);
    if (buffer) this.lately.set(key, buffer);
    for (const old of [...this.lately.keys()].slice(0, -KEPT_PIECES)) this.lately.delete(old);
    return buffer;
  }

  /** One piece as one buffer, with the fade's handles on both sides and the fades baked in. */
  private async madeSound(piece: SoundPiece): Promise<AudioBuffer | null> {
    if (!this.audio || !this.audioContext) return null;
    const stretched = this.speed !== 1;
    const fadeIn = piece.fadeIn || stretched;
    const fadeOut = piece.fadeOut || stretched;
    const lead = fadeIn ? (FADE_S / 2) * this.speed : 0;
    const trail = fadeOut ? (FADE_S / 2) * this.speed : 0;
    const from = Math.round((piece.startUs / 1e6 - lead) * RATE);
    const to = Math.round((piece.endUs / 1e6 + trail) * RATE);
    const joined = this.programme?.joined ?? null;
    const channels = joined
      ? await this.joinedSound(joined, from, to)
      : [0, 1].map(() => new Float32Array(Math.max(1, to - from)));
    if (!channels) return null;
    if (!joined)
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

  /** A part of the clip's sound as the server joins it; null when it cannot be had. */
  private async joinedSound(
    of: NonNullable<Programme['joined']>,
    from: number,
    to: number,
  ): Promise<Float32Array<ArrayBuffer>[] | null> {
    const channels = [0, 1].map(() => new Float32Array(Math.max(1, to - from)));
    const first = Math.max(0, from);
    const query = `fromUs=${Math.round((first * 1e6) / RATE)}&toUs=${Math.round((to * 1e6) / RATE)}&asRecorded=${of.asRecorded}&revision=${of.revision}`;
    try {
      const answer = await fetch(`/api/clips/${of.clipId}/sound?${query}`);
      if (!answer.ok) return null;
      const samples = new Int16Array(await answer.arrayBuffer(), WAV_HEADER);
      const count = Math.min(channels[0].length - (first - from), samples.length >> 1);
      for (let k = 0; k < count; k++) {
        channels[0][first - from + k] = samples[2 * k] / 32768;
        channels[1][first - from + k] = samples[2 * k + 1] / 32768;
      }
    } catch {
      // The picture goes on; the next piece asks again.
      return null;
    }
    return channels;
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
      if (run.held) {
        const sample = await this.video.getSample((run.episodeFrame + 0.5) * period);
        if (sample) yield { frame: run.clipFrame + skip, sample };
        continue;
      }
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
        const episodeFrame = run ? run.episodeFrame + (run.held ? 0 : wanted - run.clipFrame) : 0;
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

/** A range of one state of a clip in another; null where nothing of it plays any more. */
function carriedOver(range: Range, before: Programme, after: Programme): Range | null {
  const fromUs = toProgramme(after, toEpisode(before, range.fromUs));
  const toUs = toProgramme(after, toEpisode(before, range.toUs - 1) + 1);
  return toUs > fromUs ? { ...range, fromUs, toUs } : null;
}

/** Whether two programmes play the same from a time of each on. */
function goOnAlike(a: Programme, aUs: number, b: Programme, bUs: number): boolean {
  if (a.joined || b.joined || a.rate !== b.rate) return false;
  if (Math.abs(toEpisode(a, aUs) - toEpisode(b, bUs)) > 1_000) return false;
  if (Math.abs(a.lengthUs - aUs - (b.lengthUs - bUs)) > 1_000) return false;
  const left = a.playsAt.filter((at) => at > aUs).length;
  if (left !== b.playsAt.filter((at) => at > bUs).length) return false;
  for (let k = 1; k <= left + 1; k++) {
    const x = a.spans[a.spans.length - k];
    const y = b.spans[b.spans.length - k];
    if (!x || !y || x.endUs !== y.endUs || (k <= left && x.startUs !== y.startUs)) return false;
  }
  return true;
}

const sleep = (ms: number) => new Promise((r) => setTimeout(r, ms));
