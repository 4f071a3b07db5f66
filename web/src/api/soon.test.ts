import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { soon } from './soon';

describe('what is done soon', () => {
  const act = vi.fn();
  beforeEach(() => {
    vi.useFakeTimers();
    act.mockClear();
  });
  afterEach(() => vi.useRealTimers());

  it('is done once for all that is asked until then, and again for what is asked after', () => {
    const { ask } = soon(act, 250);
    for (let i = 0; i < 200; i++) {
      ask();
      vi.advanceTimersByTime(1);
    }
    expect(act).not.toHaveBeenCalled();
    vi.advanceTimersByTime(50);
    expect(act).toHaveBeenCalledTimes(1);
    ask();
    vi.advanceTimersByTime(250);
    expect(act).toHaveBeenCalledTimes(2);
  });

  it('is not done once it is forgotten', () => {
    const { ask, forget } = soon(act, 250);
    ask();
    forget();
    vi.advanceTimersByTime(1_000);
    expect(act).not.toHaveBeenCalled();
  });
});
