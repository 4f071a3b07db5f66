import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

/** A recording of 100 s whose sound says where it is from, and whose pictures do so too. */
const recording = vi.hoisted(() => ({ rate: 25, soundRead: 0, open: new Set<object>(), stills: [] as number[] }));

vi.mock('mediabunny', () => {
  const picture = (frame: number) => {
    const sample = { timestamp: frame / recording.rate, close: () => recording.open.delete(sample) };
    recording.open.add(sample);
    return sample;
  };
  return {
    ALL_FORMATS: [],
    UrlSource: class {},
    Input: class {
      getPrimaryVideoTrack = () => Promise.resolve({});
      getPrimaryAudioTrack = () => Promise.resolve({});
      dispose = () => undefined;
    },
    VideoSampleSink: class {
      getSample = (seconds: number) => {
        recording.stills.push(Math.floor(seconds * recording.rate));
        return Promise.resolve(picture(Math.floor(seconds * recording.rate)));
      };
      async *samples(from: number, to: number) {
        for (let frame = Math.floor(from * recording.rate); frame / recording.rate < to; frame++) {
          await Promise.resolve();
          yield picture(frame);
        }
      }
    },
    AudioBufferSink: class {
      async *buffers(from: number, to: number) {
        const packet = 1024;
        for (let at = Math.floor((from * 48_000) / packet) * packet; at < to * 48_000; at += packet) {
          recording.soundRead++;
          await Promise.resolve();
          yield {
            timestamp: at / 48_000,
            buffer: {
              numberOfChannels: 1,
              getChannelData: () => Float32Array.from({ length: packet }, (_, k) => level(at + k)),
            },
          };
        }
      }
    },
  };
});

/** What the recording's sound is at one of its samples. */
const level = (sample: number) => sample / 4_800_000;

class Loudspeaker {
  currentTime = 0;
  started: { at: number; offset: number; data: Float32Array; output: object }[] = [];
  silencedAt = new Map<object, number>();
  destination = {};
  resume = () => Promise.resolve();
  close = () => Promise.resolve();
  createGain = () => {
    const gain = { connect: () => undefined, disconnect: () => this.silencedAt.set(gain, this.currentTime) };
    return gain;
  };
  createBuffer = (_channels: number, length: number) => {
    const data = new Float32Array(length);
    return { data, copyToChannel: (of: Float32Array, channel: number) => channel === 0 && data.set(of) };
  };
  createBufferSource = () => {
    const node = {
      buffer: { data: new Float32Array(0) },
      output: {},
      connect: (output: object) => (node.output = output),
      start: (at: number, offset = 0) => this.started.push({ at, offset, data: node.buffer.data, output: node.output }),
    };
    return node;
  };

  /** What is heard from a time of the clock on. */
  heard(from: number, seconds: number): Float32Array {
    const mix = new Float32Array(Math.round(seconds * 48_000));
    for (const { at, offset, data, output } of this.started) {
      const begins = Math.round((Math.max(at, 0) - from) * 48_000);
      const skipped = Math.round(offset * 48_000);
      const until = this.silencedAt.get(output) ?? Infinity;
      for (let k = skipped; k < data.length; k++) {
        const place = begins + k - skipped;
        if (place >= 0 && place < mix.length && place / 48_000 + from < until) mix[place] += data[k];
      }
    }
    return mix;
  }
}

let loudspeaker: Loudspeaker;
vi.stubGlobal(
  'AudioContext',
  class {
    constructor() {
      loudspeaker = new Loudspeaker();
      return loudspeaker;
    }
  },
);

let frames: FrameRequestCallback[] = [];
vi.stubGlobal('requestAnimationFrame', (next: FrameRequestCallback) => frames.push(next));

import { CutPlayer } from './CutPlayer';
import type { Programme } from './programme';
import { WHOLE_PICTURE } from './framePath';

/** Lets seconds go by on the loudspeaker's clock, drawing as a screen does. */
async function pass(seconds: number) {
  for (let k = 0; k < Math.round(seconds * 100); k++) {
    await vi.advanceTimersByTimeAsync(10);
    loudspeaker.currentTime += 0.01;
    const due = frames;
    frames = [];
    due.forEach((draw) => draw(0));
  }
  await vi.advanceTimersByTimeAsync(1);
}

const settled = () => vi.advanceTimersByTimeAsync(200);

/** Kept stretches of the recording, in seconds. */
function cut(...kept: [number, number][]): Programme {
  let played = 0;
  const programme: Programme = {
    spans: [],
    playsAt: [],
    runs: [],
    path: WHOLE_PICTURE,
    silenced: [],
    rate: 25,
    lengthUs: 0,
    joined: null,
  };
  for (const [from, to] of kept) {
    programme.spans.push({ startUs: from * 1e6, endUs: to * 1e6 });
    programme.playsAt.push(played * 1e6);
    programme.runs.push({
      clipFrame: Math.round(played * 25),
      episodeFrame: Math.round(from * 25),
      count: Math.round((to - from) * 25),
      held: false,
    });
    played += to - from;
  }
  programme.lengthUs = played * 1e6;
  return programme;
}

let shown: { frame: number; of: number }[] = [];
let stops = 0;
let player: CutPlayer;

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout'] });
  recording.soundRead = 0;
  recording.open.clear();
  recording.stills = [];
  frames = [];
  shown = [];
  stops = 0;
  player = new CutPlayer(
    '/recording',
    (picture, frame) =>
      shown.push({ frame, of: Math.round((picture as unknown as { timestamp: number }).timestamp * 25) }),
    () => undefined,
    () => stops++,
  );
});

afterEach(() => {
  player.destroy();
  vi.useRealTimers();
});

async function playing(programme: Programme, atUs = 0) {
  await player.setProgramme(programme, atUs);
  void player.play();
  await settled();
  shown = [];
}

describe('playing a cut', () => {
  it('sends the kept sound to the loudspeaker, to the sample, cross-faded at equal power where it was cut', async () => {
    await playing(cut([1, 3], [7, 8], [4, 6]));
    await pass(2);
    const heard = loudspeaker.heard(0.06, 5);
    const joins = [2, 3].map((s) => s * 48_000);
    const from = (k: number) =>
      k < joins[0] ? 48_000 + k : k < joins[1] ? 7 * 48_000 + k - joins[0] : 4 * 48_000 + k - joins[1];
    let apart = 0;
    for (let k = 0; k < heard.length - 500; k++) {
      if (joins.some((join) => Math.abs(k - join) <= 240)) continue;
      apart = Math.max(apart, Math.abs(heard[k] - level(from(k))));
    }
    expect(apart).toBeLessThan(1e-6);
    for (const join of joins) {
      for (let k = -239; k < 240; k++) {
        const turn = (Math.PI / 2) * ((k + 240.5) / 480);
        const before = level(from(join - 1) + 1 + k);
        const after = level(from(join) + k);
        expect(heard[join + k]).toBeCloseTo(before * Math.cos(turn) + after * Math.sin(turn), 5);
      }
    }
  });

  it('shows every picture of it once and in order, and lets go of all of them', async () => {
    const programme = cut([1, 1.6], [7, 7.2], [4, 5]);
    await playing(programme);
    await pass(1.7);
    const wanted = programme.runs.flatMap((run) =>
      Array.from({ length: run.count }, (_, k) => ({ frame: run.clipFrame + k, of: run.episodeFrame + k })),
    );
    expect(shown.slice(0, 40)).toEqual(wanted.slice(1, 41));
    expect(player.lateFrames).toBe(0);
    player.pause();
    await settled();
    expect(recording.open.size).toBe(0);
  });

  it('stops at the end and begins anew when asked to go on', async () => {
    await playing(cut([1, 2]));
    await pass(1.2);
    expect([player.playing, stops]).toEqual([false, 1]);
    void player.play();
    await settled();
    await pass(0.3);
    expect(player.position).toBeLessThan(400_000);
  });

  it('leaves out pictures after the page was held up, rather than lag behind the sound', async () => {
    await playing(cut([1, 9]));
    await pass(0.5);
    loudspeaker.currentTime += 0.3;
    shown = [];
    await pass(0.01);
    expect(shown).toHaveLength(1);
    expect(shown[0].frame).toBe(Math.floor((player.position / 1e6) * 25 + 1e-6));
    expect(player.lateFrames).toBe(0);
    await pass(0.1);
    expect(recording.open.size).toBeLessThan(20);
  });

  it('plays twice as fast when told to, in pictures and in sound', async () => {
    await player.setProgramme(cut([1, 9]), 0);
    await player.setRate(2);
    void player.play();
    await settled();
    await pass(1);
    expect(player.position).toBeGreaterThan(1_800_000);
    expect(player.position).toBeLessThan(2_000_000);
    const heard = loudspeaker.heard(0.06, 0.9);
    expect(heard[Math.round(0.5 * 48_000)]).toBeCloseTo(level(2 * 48_000), 3);
  });
});

describe('editing while it plays', () => {
  it('drops what was heard already without a break', async () => {
    await playing(cut([1, 5], [7, 12]));
    await pass(3);
    const at = player.position;
    const sent = loudspeaker.started.length;
    await player.setProgramme(cut([3, 5], [7, 12]), at - 2_000_000);
    expect(player.position).toBeCloseTo(at - 2_000_000, -2);
    shown = [];
    await pass(0.5);
    expect(loudspeaker.silencedAt.size).toBe(0);
    expect(loudspeaker.started.length).toBe(sent);
    expect(shown.every(({ frame, of }) => of === 75 + frame)).toBe(true);
    player.pause();
    expect(player.position).toBeCloseTo(at - 2_000_000 + 500_000, -5);
  });

  it('goes on in the new cut where the rest of it is another', async () => {
    await playing(cut([1, 5], [7, 12]));
    await pass(2);
    const changed = cut([1, 5], [9, 12]);
    await player.setProgramme(changed, player.position);
    await settled();
    expect(loudspeaker.silencedAt.size).toBe(1);
    const began = loudspeaker.currentTime + 0.06;
    const at = player.position;
    await pass(0.5);
    expect(loudspeaker.heard(began, 0.4)[9_600]).toBeCloseTo(
      level(48_000 + Math.round((at / 1e6) * 48_000) + 9_600),
      4,
    );
  });

  it('hears a selection over and over, from sound made once, also after an edit before it', async () => {
    await player.setProgramme(cut([1, 9]), 0);
    void player.playRange(2_000_000, 2_500_000, true);
    await settled();
    await pass(0.7);
    const read = recording.soundRead;
    await pass(1.4);
    expect(recording.soundRead).toBe(read);
    expect(player.position).toBeGreaterThanOrEqual(2_000_000);
    expect(player.position).toBeLessThanOrEqual(2_520_000);
    void player.setProgramme(cut([2, 9]), player.position - 1_000_000, true);
    await settled();
    await pass(1.5);
    expect(player.playing).toBe(true);
    expect(player.position).toBeGreaterThanOrEqual(1_000_000);
    expect(player.position).toBeLessThanOrEqual(1_520_000);
  });

  it('stops at the end of a stretch that is heard once', async () => {
    await player.setProgramme(cut([1, 9]), 0);
    void player.playRange(2_000_000, 2_500_000, false);
    await settled();
    await pass(0.8);
    expect([player.playing, stops]).toEqual([false, 1]);
    expect(player.position).toBeCloseTo(2_500_000, -5);
  });
});

describe('a still', () => {
  it('is that of the last place gone to, however quickly', async () => {
    await player.setProgramme(cut([1, 3], [7, 8]), 0);
    await settled();
    shown = [];
    for (const us of [200_000, 900_000, 1_400_000, 2_500_000]) void player.seek(us);
    await settled();
    expect(shown[shown.length - 1]).toEqual({ frame: 62, of: 187 });
    expect(recording.stills.length).toBeLessThan(5);
    expect(recording.open.size).toBe(0);
  });
});

describe('sound that the server joins', () => {
  const joined = { ...cut([1, 9]), joined: { clipId: 7, revision: 3, asRecorded: false } };
  const wav = (from: number, count: number) => {
    const bytes = new ArrayBuffer(44 + 4 * count);
    const samples = new Int16Array(bytes, 44);
    for (let k = 0; k < count; k++) samples[2 * k] = samples[2 * k + 1] = Math.round(level(from + k) * 32768);
    return bytes;
  };
  const asked: URLSearchParams[] = [];
  let refuses: (n: number) => boolean = () => false;

  beforeEach(() => {
    asked.length = 0;
    refuses = () => false;
    vi.stubGlobal('fetch', (address: string) => {
      const query = new URLSearchParams(address.split('?')[1]);
      asked.push(query);
      if (refuses(asked.length)) return Promise.reject(new Error('away'));
      const from = Math.round((Number(query.get('fromUs')) * 48_000) / 1e6);
      const to = Math.round((Number(query.get('toUs')) * 48_000) / 1e6);
      return Promise.resolve({ ok: true, arrayBuffer: () => Promise.resolve(wav(from, to - from)) });
    });
  });

  it('follows piece on piece', async () => {
    await playing(joined);
    await pass(1.5);
    const heard = loudspeaker.heard(0.06, 5);
    let apart = 0;
    for (let k = 0; k < heard.length; k++) apart = Math.max(apart, Math.abs(heard[k] - level(k)));
    expect(apart).toBeLessThan(1 / 32_000);
    expect(asked.every((q) => q.get('revision') === '3' && q.get('asRecorded') === 'false')).toBe(true);
  });

  it('is silent where the server does not answer, and the picture goes on', async () => {
    refuses = (n) => n === 2;
    await playing(joined);
    await pass(4);
    expect(player.playing).toBe(true);
    expect(player.position).toBeGreaterThan(3_800_000);
    expect(asked.length).toBeGreaterThan(2);
    expect(loudspeaker.started.length).toBe(asked.length - 1);
  });
});
