import { describe, expect, it } from 'vitest';
import type { EpisodeCard } from '../api/client';
import { namesOf } from './names';

const people = (...named: [number, string][]) => ({
  people: named.map(([index, name]) => ({ index, name }) as EpisodeCard['people'][number]),
});

describe('names of people', () => {
  it('are first names', () => {
    expect(namesOf(people([0, 'Ada Low'], [1, 'Ben High']))).toEqual(['Ada', 'Ben']);
  });

  it('are whole where two have the same first name, as speakers have whom nobody has named', () => {
    const names = namesOf(people([0, 'Speaker 1'], [1, 'Speaker 2'], [2, 'Ben High']));
    expect(names).toEqual(['Speaker 1', 'Speaker 2', 'Ben']);
  });

  it('are missing for numbers that nobody has', () => {
    expect(namesOf(people([1, 'Ben High']))[0]).toBeUndefined();
  });
});
