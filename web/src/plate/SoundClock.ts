import type { SoundPiece } from './programme';

export const RATE = 48_000;
export const FADE_S = 0.01;
/** What is heard begins this much after it is asked for, so that nothing of it is missed. */
const BEGINS_AFTER_S = 0.06;

/** The clock that everything follows: what the loudspeaker has been given, by the sample. */
export class SoundClock {
  private context: AudioContext | null = null;
  private gain: GainNode | null = null;
  private startedAt = 0;
  private fromUs = 0;
  private speed = 1;

  /** Made when it is first heard, as browsers want. */
  async open(): Promise<AudioContext> {
    this.context ??= new AudioContext({ sampleRate: RATE, latencyHint: 'interactive' });
    await this.context.resume();
    return this.context;
  }

  get isRunning() {
    return this.startedAt > 0;
  }

  /** Makes ready to play from a time on. */
  arm(fromUs: number, speed: number) {
    this.fromUs = fromUs;
    this.speed = speed;
    this.gain = this.context!.createGain();
    this.gain.connect(this.context!.destination);
  }

  start() {
    this.startedAt = this.context!.currentTime + BEGINS_AFTER_S;
  }

  /** Falls silent at once. */
  stop() {
    this.startedAt = 0;
    this.gain?.disconnect();
    this.gain = null;
  }

  close() {
    void this.context?.close();
  }

  /** How far it has played, microseconds of what plays. */
  get nowUs() {
    const passed = Math.max(0, this.context!.currentTime - this.startedAt) * this.speed;
    return this.fromUs + passed * 1e6;
  }

  /** Lets a piece be heard at its time; what should have begun already begins in its middle. */
  schedule(piece: SoundPiece, buffer: AudioBuffer) {
    if (!this.context || !this.gain) return;
    const node = this.context.createBufferSource();
    node.buffer = buffer;
    node.connect(this.gain);
    const lead = piece.fadeIn || this.speed !== 1 ? FADE_S / 2 : 0;
    const at = this.startedAt + (piece.atUs - this.fromUs) / 1e6 / this.speed - lead;
    const late = this.context.currentTime - at;
    if (late > 0) node.start(0, late);
    else node.start(at);
  }
}
