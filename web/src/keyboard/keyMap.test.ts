import { beforeEach, describe, expect, it } from 'vitest';
import { exchange, keyFor, keyName, meantKey, useKeyMap } from './keyMap';

const meant = (key: string) => meantKey({ key });

describe('keys', () => {
  beforeEach(() => useKeyMap.setState({ exchanged: {} }));

  it('are ours as long as nobody exchanges them', () => {
    expect(['j', 'J', 'Backspace', '['].map(meant)).toEqual(['j', 'J', 'Backspace', '[']);
  });

  it('change places, so that nothing becomes out of reach', () => {
    exchange('j', 'a');
    expect(meant('a')).toBe('j');
    expect(meant('j')).toBe('a');
    expect(keyFor('a')).toBe('j');
  });

  it('stand for each of ours exactly once, however often they are exchanged', () => {
    const ours = ['a', 'b', 'j', 'k', 'l', 'Backspace', ' '];
    for (const [key, place] of [
      ['j', 'a'],
      ['k', 'j'],
      ['a', 'Backspace'],
      ['l', ' '],
      ['j', 'x'],
      ['k', 'a'],
    ])
      exchange(key, place);
    expect(new Set(ours.map((key) => keyFor(key))).size).toBe(ours.length);
    for (const key of ours) expect(meant(keyFor(key))).toBe(key);
  });

  it('put back where they were leave nothing behind', () => {
    exchange('j', 'a');
    exchange('j', 'j');
    expect(useKeyMap.getState().exchanged).toEqual({});
  });

  it('keep their capital, and a capital chosen is the same key', () => {
    exchange('h', 'Q');
    expect(meant('q')).toBe('h');
    expect(meant('Q')).toBe('H');
    exchange('Backspace', 'd');
    expect(meant('D')).toBe('Backspace');
  });

  it('that walk the controls or let go stay what they are', () => {
    expect(exchange('j', 'Tab')).toBe(false);
    expect(exchange('j', 'Escape')).toBe(false);
    expect(meant('Tab')).toBe('Tab');
  });

  it('are written as they stand on a keyboard', () => {
    expect([' ', 'ArrowLeft', 'x', '['].map(keyName)).toEqual(['Space', '←', 'X', '[']);
  });
});
