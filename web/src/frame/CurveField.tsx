import { useState, type PointerEvent } from 'react';
import { Choice } from './Choice';
import type { Curve } from './framing';
import { EVEN, SOFT } from './useFrameActs';

const QUICK: Curve = { x1: 0.1, y1: 0.7, x2: 0.3, y2: 1 };
const NAMED = [
  { value: 'even', name: 'Even', curve: EVEN },
  { value: 'soft', name: 'Soft', curve: SOFT },
  { value: 'quick', name: 'Quick, then calm', curve: QUICK },
];
const SIZE = 72;
const STEP = 0.05;

const clamped = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value));
const same = (a: Curve, b: Curve) => a.x1 === b.x1 && a.y1 === b.y1 && a.x2 === b.x2 && a.y2 === b.y2;

/** How a movement goes from beginning to end: chosen, or drawn by its two handles. */
export function CurveField({ curve, onChange }: { curve: Curve; onChange: (curve: Curve) => void }) {
  const [drawing, setDrawing] = useState({ of: curve, drawn: curve });
  const drawn = drawing.of === curve ? drawing.drawn : curve;
  const drag = (event: PointerEvent<SVGCircleElement>, handle: 1 | 2) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    const x = clamped((event.clientX - box.left) / box.width, 0, 1);
    const y = clamped(1 - (event.clientY - box.top) / box.height, 0, 1);
    setDrawing({ of: curve, drawn: handle === 1 ? { ...drawn, x1: x, y1: y } : { ...drawn, x2: x, y2: y } });
  };
  const nudge = (handle: 1 | 2, dx: number, dy: number) => {
    const x = handle === 1 ? drawn.x1 : drawn.x2;
    const y = handle === 1 ? drawn.y1 : drawn.y2;
    const moved = { x: clamped(x + dx, 0, 1), y: clamped(y + dy, 0, 1) };
    onChange(handle === 1 ? { ...drawn, x1: moved.x, y1: moved.y } : { ...drawn, x2: moved.x, y2: moved.y });
  };
  const at = (x: number, y: number) => `${x * SIZE},${(1 - y) * SIZE}`;
  return (
    <div className="flex items-center gap-4">
      <svg
        viewBox={`-4 -4 ${SIZE + 8} ${SIZE + 8}`}
        className="h-[72px] w-[72px] shrink-0 rounded border border-rule bg-paper"
        role="group"
        aria-label="How it comes nearer over time"
      >
        <path
          d={`M${at(0, 0)} C${at(drawn.x1, drawn.y1)} ${at(drawn.x2, drawn.y2)} ${at(1, 1)}`}
          className="fill-none stroke-accent"
          strokeWidth="2"
        />
        {([1, 2] as const).map((handle) => {
          const x = handle === 1 ? drawn.x1 : drawn.x2;
          const y = handle === 1 ? drawn.y1 : drawn.y2;
          return (
            <circle
              key={handle}
              cx={x * SIZE}
              cy={(1 - y) * SIZE}
              r="4.5"
              tabIndex={0}
              role="slider"
              aria-valuenow={Math.round(y * 100)}
              aria-label={handle === 1 ? 'Beginning' : 'End'}
              className="cursor-grab touch-none fill-steel"
              onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
              onPointerMove={(e) => drag(e, handle)}
              onPointerUp={() => onChange(drawn)}
              onKeyDown={(e) => {
                const by = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, STEP], ArrowDown: [0, -STEP] }[
                  e.key
                ];
                if (!by) return;
                e.preventDefault();
                e.stopPropagation();
                nudge(handle, by[0], by[1]);
              }}
            />
          );
        })}
      </svg>
      <Choice
        label="Curve"
        value={NAMED.find((n) => same(n.curve, curve))?.value ?? null}
        options={NAMED}
        onChoose={(name) => onChange(NAMED.find((n) => n.value === name)!.curve)}
      />
    </div>
  );
}
