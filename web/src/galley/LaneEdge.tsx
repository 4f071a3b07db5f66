import { useRef, useState } from 'react';

interface Props {
  /** Where the edge is in the line, pixels. */
  y: number;
  row: { startUs: number; endUs: number; height: number };
  /** Times that it snaps to. */
  snaps: number[];
  frameUs: number;
  name: 'begins' | 'ends';
  /** Told by how much it was moved. */
  onMoved: (byUs: number) => void;
}

/** How near a time has to be to snap, pixels. */
const NEAR = 5;

/** An end of what stands beside the words, to be dragged to another time. */
export function LaneEdge({ y, row, snaps, frameUs, name, onMoved }: Props) {
  const grip = useRef<number | null>(null);
  const [at, setAt] = useState<number | null>(null);
  const perPixel = (row.endUs - row.startUs) / row.height;
  const usOf = (px: number) => row.startUs + px * perPixel;
  const moved = (clientY: number) => {
    const px = Math.max(0, Math.min(row.height, y + clientY - grip.current!));
    const us = usOf(px);
    const snap = snaps.find((s) => Math.abs(s - us) < NEAR * perPixel);
    const by = snap === undefined ? Math.round((us - usOf(y)) / frameUs) * frameUs : snap - usOf(y);
    return { by: Math.round(by), px: y + by / perPixel };
  };
  return (
    <>
      <div
        data-lane-edge={name}
        title={`Drag: ${name}; it snaps to words and frames`}
        className={`absolute right-2 left-0 z-10 h-[6px] cursor-ns-resize touch-none ${name === 'ends' ? '-translate-y-full' : ''}`}
        style={{ top: y }}
        onPointerDown={(e) => {
          e.stopPropagation();
          e.currentTarget.setPointerCapture(e.pointerId);
          grip.current = e.clientY;
        }}
        onPointerMove={(e) => grip.current !== null && setAt(moved(e.clientY).px)}
        onPointerUp={(e) => {
          if (grip.current === null) return;
          const { by } = moved(e.clientY);
          grip.current = null;
          setAt(null);
          if (by) onMoved(by);
        }}
        onPointerCancel={() => {
          grip.current = null;
          setAt(null);
        }}
      />
      {at !== null && (
        <div className="pointer-events-none absolute right-0 left-0 z-10 h-[2px] bg-accent" style={{ top: at }} />
      )}
    </>
  );
}
