import { describe, expect, it } from 'vitest';
import { TimeIndex } from './timeIndex';

const span = (startUs: number, endUs: number) => ({ startUs, endUs });
const self = (s: { startUs: number; endUs: number }) => s;

describe('stretches by time', () => {
  it('finds what touches a part, and not what only meets it', () => {
    const index = new TimeIndex([span(0, 10), span(10, 20), span(30, 40)], self);
    expect(index.touching(10, 30)).toEqual([span(10, 20)]);
    expect(index.touching(9, 31)).toEqual([span(0, 10), span(10, 20), span(30, 40)]);
    expect(index.touching(20, 30)).toEqual([]);
    expect(new TimeIndex<ReturnType<typeof span>>([], self).touching(0, 100)).toEqual([]);
  });

  it('finds a long one that began long before, also where they overlap and come in any order', () => {
    const index = new TimeIndex([span(50, 60), span(0, 100), span(10, 12)], self);
    expect(index.touching(70, 80)).toEqual([span(0, 100)]);
    expect(index.touching(11, 55)).toEqual([span(0, 100), span(10, 12), span(50, 60)]);
  });

  it('finds just those that looking at each one finds', () => {
    let seed = 7;
    const random = (below: number) => (seed = (seed * 48_271) % 2_147_483_647) % below;
    for (let run = 0; run < 200; run++) {
      const items = Array.from({ length: random(40) }, () => {
        const start = random(1_000);
        return span(start, start + random(120));
      });
      const index = new TimeIndex(items, self);
      const [from, to] = [random(1_000), random(1_000)].sort((a, b) => a - b);
      const wanted = items
        .filter((s) => s.endUs > from && s.startUs < to)
        .sort((a, b) => a.startUs - b.startUs || a.endUs - b.endUs);
      expect([...index.touching(from, to)].sort((a, b) => a.startUs - b.startUs || a.endUs - b.endUs)).toEqual(wanted);
    }
  });
});
