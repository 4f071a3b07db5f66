import { beforeEach, describe, expect, it } from 'vitest';
import { drop, gather, shift, useGathered } from './gathered';

const texts = () => useGathered.getState().pieces.map((p) => p.text);
const keyOf = (text: string) => useGathered.getState().pieces.find((p) => p.text === text)!.key;

describe('gathered words', () => {
  beforeEach(() => {
    useGathered.setState({ pieces: [] });
    for (const text of ['ice', 'pond', 'wheel']) {
      gather({ episodeId: 1, episode: 'The race', firstWord: 0, lastWord: 3, startUs: 0, lengthUs: 1_000_000, text });
    }
  });

  it('stand in the order in which they were gathered, each by itself', () => {
    expect(texts()).toEqual(['ice', 'pond', 'wheel']);
    expect(new Set(useGathered.getState().pieces.map((p) => p.key)).size).toBe(3);
  });

  it('move up and down, and not beyond the ends', () => {
    shift(keyOf('wheel'), -1);
    expect(texts()).toEqual(['ice', 'wheel', 'pond']);
    shift(keyOf('ice'), -1);
    shift(keyOf('pond'), 1);
    expect(texts()).toEqual(['ice', 'wheel', 'pond']);
  });

  it('are dropped one at a time', () => {
    drop(keyOf('pond'));
    expect(texts()).toEqual(['ice', 'wheel']);
  });
});
