import { describe, expect, it } from 'vitest';
import { timeStretch } from './timeStretch';

const RATE = 48_000;
const tone = (hz: number, seconds: number) =>
  Float32Array.from({ length: RATE * seconds }, (_, i) => 0.5 * Math.sin((2 * Math.PI * hz * i) / RATE));

const risingCrossings = (sound: Float32Array, from: number, to: number) => {
  let n = 0;
  for (let i = from; i < to; i++) if (sound[i] < 0 && sound[i + 1] >= 0) n++;
  return n;
};

describe('time stretch', () => {
  it.each([0.5, 0.75, 1, 1.25, 1.5, 2, 3])('at %s times keeps the pitch and the level', (rate) => {
    const [out] = timeStretch([tone(220, 2)], rate, RATE);
    expect(out.length).toBe(Math.round((2 * RATE) / rate));
    const middle = Math.floor(out.length / 4);
    const seconds = 0.3;
    expect(risingCrossings(out, middle, middle + seconds * RATE) / seconds).toBeCloseTo(220, -1);
    const loudest = out.subarray(middle, middle + seconds * RATE).reduce((m, x) => Math.max(m, Math.abs(x)), 0);
    expect(loudest).toBeGreaterThan(0.4);
    expect(loudest).toBeLessThan(0.6);
  });

  it('keeps both channels in step', () => {
    const [left, right] = timeStretch([tone(300, 1), tone(300, 1)], 1.5, RATE);
    expect([...left]).toEqual([...right]);
  });
});
