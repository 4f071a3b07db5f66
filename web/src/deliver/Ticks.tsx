import { useEffect, useRef } from 'react';

/** A tick for many cells at once: all, some or none of them. */
export function Ticks({
  state,
  label,
  onTick,
}: {
  state: 'all' | 'some' | 'none';
  label: string;
  onTick: (asked: boolean) => void;
}) {
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (box.current) box.current.indeterminate = state === 'some';
  }, [state]);
  return (
    <input
      ref={box}
      type="checkbox"
      className="accent-[var(--steel)]"
      checked={state === 'all'}
      aria-label={label}
      title={label}
      onChange={() => onTick(state !== 'all')}
    />
  );
}
