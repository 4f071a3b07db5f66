import { describe, expect, it } from 'vitest';
import type { Posting } from '../api/client';
import { daysAfter, daysOf, mondayOf, onDay, wallClock, WEEKS } from './weeks';

const posting = (id: number, due: Date) => ({ id, dueAt: due.toISOString() }) as Posting;

describe('weeks of the outbox', () => {
  it('begin on a Monday', () => {
    expect(mondayOf(new Date(2026, 10, 29, 23, 59))).toEqual(new Date(2026, 10, 23));
    expect(mondayOf(new Date(2026, 10, 30, 0, 0))).toEqual(new Date(2026, 10, 30));
    expect(mondayOf(new Date(2027, 0, 1))).toEqual(new Date(2026, 11, 28));
  });

  it('have every day once, whatever the clock is turned by', () => {
    for (const first of [new Date(2026, 2, 9), new Date(2026, 9, 12)]) {
      const days = daysOf(first, []);
      expect(days).toHaveLength(WEEKS * 7);
      expect(new Set(days.map((d) => d.date.toDateString())).size).toBe(WEEKS * 7);
      expect(days.every((d) => d.date.getHours() === 0)).toBe(true);
    }
  });

  it('hold what is due on a day, from midnight on', () => {
    const first = new Date(2026, 10, 30);
    const days = daysOf(first, [
      posting(1, new Date(2026, 10, 30, 0, 0)),
      posting(2, new Date(2026, 10, 30, 23, 59)),
      posting(3, new Date(2026, 11, 1, 0, 0)),
      posting(4, new Date(2026, 10, 29, 23, 59)),
    ]);
    expect(days[0].postings.map((p) => p.id)).toEqual([1, 2]);
    expect(days[1].postings.map((p) => p.id)).toEqual([3]);
    expect(days.flatMap((d) => d.postings)).toHaveLength(3);
  });

  it('keep the time of day when something is carried to another day', () => {
    expect(onDay(new Date(2026, 11, 4), new Date(2026, 10, 30, 18, 5))).toBe('2026-12-04T18:05');
    expect(wallClock(daysAfter(new Date(2026, 11, 31), 1))).toBe('2027-01-01T00:00');
  });
});
