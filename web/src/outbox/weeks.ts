import type { Posting } from '../api/client';

export const WEEKS = 5;
const DAYS = 7;

/** The Monday on or before a day, at midnight by the clock on the wall. */
export function mondayOf(day: Date): Date {
  return new Date(day.getFullYear(), day.getMonth(), day.getDate() - ((day.getDay() + 6) % DAYS));
}

/** A day so many days later, at midnight; days that are longer or shorter by an hour count as days. */
export function daysAfter(day: Date, days: number): Date {
  return new Date(day.getFullYear(), day.getMonth(), day.getDate() + days);
}

export interface Day {
  date: Date;
  postings: Posting[];
}

/** What is due on each day of some weeks, by its time. */
export function daysOf(first: Date, postings: Posting[]): Day[] {
  return Array.from({ length: WEEKS * DAYS }, (_, i) => {
    const date = daysAfter(first, i);
    const next = daysAfter(first, i + 1);
    return {
      date,
      postings: postings.filter((p) => {
        const due = new Date(p.dueAt);
        return due >= date && due < next;
      }),
    };
  });
}

const two = (n: number) => String(n).padStart(2, '0');

/** A time by the clock on the wall, as fields for a date and a time take it. */
export const wallClock = (time: Date) =>
  `${time.getFullYear()}-${two(time.getMonth() + 1)}-${two(time.getDate())}T${two(time.getHours())}:${two(time.getMinutes())}`;

/** The same time of day on another day. */
export function onDay(day: Date, time: Date): string {
  return wallClock(new Date(day.getFullYear(), day.getMonth(), day.getDate(), time.getHours(), time.getMinutes()));
}

/** The clock that a browser goes by. */
export const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
