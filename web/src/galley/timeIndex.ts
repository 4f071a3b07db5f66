import type { Span } from '../api/client';

/** Stretches of the episode arranged so that those that touch a part of it are found without looking at all. */
export class TimeIndex<T> {
  private readonly items: T[];
  private readonly spans: Span[];
  /** The latest end of all up to each one. */
  private readonly latestEnd: Float64Array;

  constructor(items: T[], spanOf: (item: T) => Span) {
    this.items = items.every((item, i) => i === 0 || spanOf(items[i - 1]).startUs <= spanOf(item).startUs)
      ? items
      : [...items].sort((a, b) => spanOf(a).startUs - spanOf(b).startUs);
    this.spans = this.items.map(spanOf);
    this.latestEnd = new Float64Array(items.length);
    let latest = -Infinity;
    this.spans.forEach((span, i) => (this.latestEnd[i] = latest = Math.max(latest, span.endUs)));
  }

  /** Those that last beyond the beginning of a part and begin before its end, by their beginnings. */
  touching(startUs: number, endUs: number): T[] {
    const found: T[] = [];
    for (let i = this.firstStarting(endUs) - 1; i >= 0 && this.latestEnd[i] > startUs; i--) {
      if (this.spans[i].endUs > startUs) found.push(this.items[i]);
    }
    return found.reverse();
  }

  private firstStarting(us: number): number {
    let low = 0;
    let high = this.spans.length;
    while (low < high) {
      const middle = (low + high) >>> 1;
      if (this.spans[middle].startUs < us) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
