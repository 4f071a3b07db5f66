import type { ReactNode } from 'react';

/** A name between a button that goes a frame earlier and one that goes a frame later. */
export function Pair({
  name,
  about,
  onMove,
  children,
}: {
  name: string;
  /** What it is of, where there are several. */
  about?: string;
  onMove: (by: 1 | -1) => void;
  children?: ReactNode;
}) {
  const of = about ? `, ${about}` : '';
  return (
    <span className="flex items-center gap-1 rounded border border-rule px-1 text-[12px]">
      <button
        className="px-1"
        aria-label={`${name} a frame earlier${of}`}
        title="a frame earlier"
        onClick={() => onMove(-1)}
      >
        ‹
      </button>
      {name}
      {children}
      <button
        className="min-h-6 min-w-6"
        aria-label={`${name} a frame later${of}`}
        title="a frame later"
        onClick={() => onMove(1)}
      >
        ›
      </button>
    </span>
  );
}
