import { useEffect, useState } from 'react';

/**
 * A value once it has stayed the same for a while, so that what follows from it is not asked for after every
 * key. That of something else is taken at once.
 *
 * @param of what the value belongs to
 * @param ms how long it has to stay; 0 takes it at once
 */
export function useCalm<T>(value: T, of: unknown, ms: number): T {
  const [held, setHeld] = useState({ value, of });
  const now = ms === 0 || held.of !== of ? value : held.value;
  useEffect(() => {
    if (held.of === of && Object.is(held.value, value)) return;
    const calm = setTimeout(() => setHeld({ value, of }), held.of === of ? ms : 0);
    return () => clearTimeout(calm);
  }, [held, value, of, ms]);
  return now;
}
