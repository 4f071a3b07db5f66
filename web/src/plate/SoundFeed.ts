import type { AudioBufferSink } from 'mediabunny';
import type { Programme, SoundPiece } from './programme';
import { FADE_S, RATE } from './SoundClock';
import { timeStretch } from './timeStretch';

const WAV_HEADER = 44;
/** Pieces kept after they were heard; the longest take 3 MB each. */
const KEPT_PIECES = 3;

type Channels = Float32Array<ArrayBuffer>[];

/** Makes pieces of a programme's sound, ready to be heard. */
export class SoundFeed {
  private readonly lately = new Map<string, AudioBuffer>();

  /** A piece ready to be heard; what was made lately is at hand, so that a loop begins again at once. */
  async piece(
    context: AudioContext,
    source: AudioBufferSink | null,
    programme: Programme,
    piece: SoundPiece,
    speed: number,
  ): Promise<AudioBuffer | null> {
    if (!source) return null;
    const key = JSON.stringify([piece, speed, programme.joined]);
    const buffer = this.lately.get(key) ?? (await made(context, source, programme, piece, speed));
    this.lately.delete(key);
    if (buffer) this.lately.set(key, buffer);
    for (const old of [...this.lately.keys()].slice(0, -KEPT_PIECES)) this.lately.delete(old);
    return buffer;
  }
}

/** One piece as one buffer, with the fade's handles on both sides and the fades baked in. */
async function made(
  context: AudioContext,
  source: AudioBufferSink,
  programme: Programme,
  piece: SoundPiece,
  speed: number,
): Promise<AudioBuffer | null> {
  const stretched = speed !== 1;
  const fadeIn = piece.fadeIn || stretched;
  const fadeOut = piece.fadeOut || stretched;
  const lead = fadeIn ? (FADE_S / 2) * speed : 0;
  const trail = fadeOut ? (FADE_S / 2) * speed : 0;
  const from = Math.round((piece.startUs / 1e6 - lead) * RATE);
  const to = Math.round((piece.endUs / 1e6 + trail) * RATE);
  const channels = programme.joined ? await joined(programme.joined, from, to) : await recorded(source, from, to);
  if (!channels || context.state === 'closed') return null;
  const fade = Math.round(FADE_S * RATE);
  const paced = timeStretch(channels, speed, RATE);
  const out = context.createBuffer(2, paced[0].length, RATE);
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

const silence = (from: number, to: number): Channels => [0, 1].map(() => new Float32Array(Math.max(1, to - from)));

/** A part of the proxy's own sound. */
async function recorded(source: AudioBufferSink, from: number, to: number): Promise<Channels> {
  const channels = silence(from, to);
  for await (const { buffer, timestamp } of source.buffers(Math.max(0, from / RATE - 0.03), to / RATE)) {
    const at = Math.round(timestamp * RATE) - from;
    for (let c = 0; c < 2; c++) {
      const data = buffer.getChannelData(Math.min(c, buffer.numberOfChannels - 1));
      const skip = Math.max(0, -at);
      const place = Math.max(0, at);
      const count = Math.min(data.length - skip, channels[c].length - place);
      if (count > 0) channels[c].set(data.subarray(skip, skip + count), place);
    }
  }
  return channels;
}

/** A part of the clip's sound as the server joins it; null when it cannot be had. */
async function joined(of: NonNullable<Programme['joined']>, from: number, to: number): Promise<Channels | null> {
  const channels = silence(from, to);
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
