import { useRef, useState } from 'react';
import type { Spec } from '../api/client';

type Safe = Spec['canvas']['safe'];
type Side = keyof Safe;

const SIDES: Side[] = ['top', 'right', 'bottom', 'left'];
const MOST = 0.45;
const STEP = 0.01;
const TALLEST = 210;
const WIDEST = 250;

const within = (share: number) => Math.min(MOST, Math.max(0, Math.round(share / STEP) * STEP));

/** A picture's canvas with what a destination's own buttons cover, drawn by its four edges; kept when an edge is let go. */
export function SafeAreaDrawing({
  canvas,
  locked,
  onDraw,
}: {
  canvas: Spec['canvas'];
  locked: boolean;
  onDraw: (safe: Safe) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<Safe | null>(null);
  const safe = drawn ?? canvas.safe;
  const scale = Math.min(TALLEST / canvas.height, WIDEST / canvas.width);
  const moved = (side: Side, share: number) => ({ ...safe, [side]: within(share) });
  const drag = (side: Side) => (e: React.PointerEvent<HTMLElement>) => {
    if (locked) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    const edges = box.current!.getBoundingClientRect();
    const shares = {
      top: (e.clientY - edges.top) / edges.height,
      bottom: (edges.bottom - e.clientY) / edges.height,
      left: (e.clientX - edges.left) / edges.width,
      right: (edges.right - e.clientX) / edges.width,
    };
    setDrawn(moved(side, shares[side]));
  };
  const keep = () => {
    if (drawn) onDraw(drawn);
    setDrawn(null);
  };
  return (
    <div
      ref={box}
      className="hatched relative mx-auto rounded border border-steel bg-steelwash"
      style={{ width: canvas.width * scale, height: canvas.height * scale }}
    >
      <div
        className="absolute border border-dashed border-ink bg-paper"
        style={{
          top: `${safe.top * 100}%`,
          right: `${safe.right * 100}%`,
          bottom: `${safe.bottom * 100}%`,
          left: `${safe.left * 100}%`,
        }}
      />
      {SIDES.map((side) => {
        const lying = side === 'top' || side === 'bottom';
        return (
          <button
            key={side}
            role="slider"
            aria-label={`Covered at the ${side}, per cent`}
            aria-valuenow={Math.round(safe[side] * 100)}
            aria-valuemin={0}
            aria-valuemax={MOST * 100}
            disabled={locked}
            className={`absolute touch-none ${lying ? 'inset-x-0 h-3 cursor-ns-resize' : 'inset-y-0 w-3 cursor-ew-resize'}`}
            style={{ [side]: `calc(${safe[side] * 100}% - 6px)` }}
            onPointerDown={drag(side)}
            onPointerMove={(e) => e.buttons === 1 && drag(side)(e)}
            onPointerUp={keep}
            onPointerCancel={() => setDrawn(null)}
            onKeyDown={(e) => {
              const inwards = { top: 'ArrowDown', bottom: 'ArrowUp', left: 'ArrowRight', right: 'ArrowLeft' }[side];
              const outwards = { top: 'ArrowUp', bottom: 'ArrowDown', left: 'ArrowLeft', right: 'ArrowRight' }[side];
              if (e.key !== inwards && e.key !== outwards) return;
              e.preventDefault();
              onDraw(moved(side, safe[side] + (e.key === inwards ? STEP : -STEP)));
            }}
          />
        );
      })}
    </div>
  );
}
