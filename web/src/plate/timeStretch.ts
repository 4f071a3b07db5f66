const WINDOW_S = 0.03;
const SEEK_S = 0.008;
const COARSE = 8;

/**
 * Makes sound shorter or longer without changing its pitch: overlapping windows are taken at another
 * pace, each moved a little to where it continues the one before best (WSOLA, Verhelst and Roelands
 * 1993). All channels move together. Meant for rates from 0.5 to 3.
 */
export function timeStretch(channels: Float32Array[], rate: number, sampleRate: number): Float32Array<ArrayBuffer>[] {
  const length = Math.max(1, Math.round(channels[0].length / rate));
  const out = channels.map(() => new Float32Array(length));
  if (rate === 1) {
    channels.forEach((c, i) => out[i].set(c.subarray(0, length)));
    return out;
  }
  const hop = Math.round((WINDOW_S / 2) * sampleRate);
  const window = hop * 2;
  const seek = Math.round(SEEK_S * sampleRate);
  const shape = Float32Array.from({ length: window }, (_, k) => Math.sin((Math.PI * (k + 0.5)) / window) ** 2);
  let taken = 0;
  for (let at = 0; at < length; at += hop) {
    const wanted = Math.round(at * rate);
    const from = at === 0 ? 0 : bestContinuation(channels[0], taken + hop, wanted, seek, hop);
    for (let c = 0; c < channels.length; c++) {
      const source = channels[c];
      const target = out[c];
      const end = Math.min(window, length - at, source.length - from);
      for (let k = 0; k < end; k++) {
        target[at + k] += (at === 0 && k < hop ? 1 : shape[k]) * source[from + k];
      }
    }
    taken = from;
  }
  return out;
}

/** The start near the wanted one whose sound is most like what would have followed. */
function bestContinuation(sound: Float32Array, natural: number, wanted: number, seek: number, overlap: number): number {
  const lowest = Math.max(0, wanted - seek);
  const highest = Math.max(lowest, Math.min(sound.length - 1, wanted + seek));
  const rough = mostAlike(sound, natural, lowest, highest, COARSE, overlap);
  return mostAlike(sound, natural, Math.max(lowest, rough - COARSE), Math.min(highest, rough + COARSE), 1, overlap);
}

function mostAlike(
  sound: Float32Array,
  natural: number,
  lowest: number,
  highest: number,
  step: number,
  overlap: number,
): number {
  let best = lowest;
  let most = -Infinity;
  for (let from = lowest; from <= highest; from += step) {
    let alike = 0;
    const end = Math.min(overlap, sound.length - natural, sound.length - from);
    for (let k = 0; k < end; k += 4) alike += sound[natural + k] * sound[from + k];
    if (alike > most) {
      most = alike;
      best = from;
    }
  }
  return best;
}
