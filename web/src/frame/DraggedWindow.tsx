import { useEffect, useRef, useState, type PointerEvent, type KeyboardEvent } from 'react';
import { FramePath, oneWindow, windowAt, type Window } from '../plate/framePath';
import { usePlayback } from '../plate/Playback';
import { usePlayhead } from '../plate/playhead';
import { within, type Recorded } from './framing';

interface Props {
  path: FramePath;
  rate: number;
  recorded: Recorded;
  /** Width by height of what is delivered. */
  ratio: number;
  /** Takes a window that was placed. */
  onPlaced: (window: Window) => void;
}

const STEP = 0.01;
const BIG_STEP = 0.05;
const CORNERS = ['nw', 'ne', 'sw', 'se'] as const;
type Corner = (typeof CORNERS)[number];

/** The window that shows at the moment: dragged, pulled by a corner, or moved by the arrow keys. */
export function DraggedWindow({ path, rate, recorded, ratio, onPlaced }: Props) {
  const playback = usePlayback();
  const box = useRef<HTMLDivElement>(null);
  // What was placed shows until the path that has it has come.
  const [dragging, setDragging] = useState<{ on: FramePath; window: Window; byKeys: boolean } | null>(null);
  const dragged = dragging?.on === path ? dragging.window : null;
  const grip = useRef<{ x: number; y: number; window: Window; corner: Corner | null } | null>(null);
  const live = useRef<Window | null>(null);

  const place = (window: Window | null) => {
    const element = box.current;
    if (!element) return;
    element.hidden = !window;
    if (!window) return;
    element.style.left = `${(window.x / recorded.width) * 100}%`;
    element.style.top = `${(window.y / recorded.height) * 100}%`;
    element.style.width = `${(window.width / recorded.width) * 100}%`;
    element.style.height = `${(window.height / recorded.height) * 100}%`;
  };
  useEffect(() => {
    const show = (us: number) => {
      if (dragged) return;
      const frame = Math.floor((us / 1e6) * rate + 1e-6);
      const segment = path.segmentAt(frame);
      live.current = segment ? windowAt(segment.panes[0], frame - segment.clipFrame) : null;
      place(live.current);
    };
    if (dragged) place(dragged);
    else show(usePlayhead.getState().programmeUs);
    return usePlayhead.subscribe((s) => show(s.programmeUs));
  });
  useEffect(() => playback.drag(null), [path, playback]);

  const move = (window: Window, byKeys = false) => {
    const next = within(window, recorded);
    setDragging({ on: path, window: next, byKeys });
    playback.drag(oneWindow(next));
    return next;
  };
  /** The window that is dragged, in the shape of what is delivered even where it was a pane's. */
  const taken = () => {
    const window = dragged ?? live.current;
    return (
      window &&
      within(
        { ...window, x: window.x + (window.width - window.height * ratio) / 2, width: window.height * ratio },
        recorded,
      )
    );
  };
  const take = (event: PointerEvent, corner: Corner | null) => {
    const window = taken();
    if (!window) return;
    event.preventDefault();
    event.stopPropagation();
    box.current?.focus();
    box.current?.setPointerCapture(event.pointerId);
    grip.current = { x: event.clientX, y: event.clientY, window, corner };
  };
  const drag = (event: PointerEvent) => {
    const held = grip.current;
    const parent = box.current?.parentElement;
    if (!held || !parent) return;
    const perPixel = recorded.width / parent.clientWidth;
    const dx = (event.clientX - held.x) * perPixel;
    const dy = (event.clientY - held.y) * perPixel;
    move(
      held.corner
        ? pulled(held.window, held.corner, dx, dy)
        : { ...held.window, x: held.window.x + dx, y: held.window.y + dy },
    );
  };
  const drop = () => {
    if (grip.current && dragged) onPlaced(dragged);
    grip.current = null;
  };
  const letBe = () => {
    setDragging(null);
    playback.drag(null);
  };
  const onKey = (event: KeyboardEvent) => {
    const window = taken();
    if (!window) return;
    const step = (event.shiftKey ? BIG_STEP : STEP) * recorded.height;
    const by: Record<string, Partial<Window>> = {
      ArrowLeft: { x: window.x - step },
      ArrowRight: { x: window.x + step },
      ArrowUp: { y: window.y - step },
      ArrowDown: { y: window.y + step },
      '+': sized(window, -step),
      '-': sized(window, step),
    };
    if (event.key in by) move({ ...window, ...by[event.key] }, true);
    else if (event.key === 'Enter' && dragged) onPlaced(dragged);
    else if (event.key === 'Escape' && dragged) letBe();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={box}
      tabIndex={0}
      role="group"
      aria-label="The window: arrow keys move it, + and - change its size, Enter sets it, Escape lets it be"
      data-testid="window"
      data-dragged={dragged !== null}
      className="absolute cursor-grab touch-none border-2 border-white shadow-[0_0_0_9999px_rgba(27,24,23,0.45)] outline-offset-2 active:cursor-grabbing"
      onPointerDown={(e) => take(e, null)}
      onPointerMove={drag}
      onPointerUp={drop}
      onKeyDown={onKey}
      hidden
    >
      <div className="pointer-events-none absolute inset-x-0 top-1/3 border-t border-dashed border-white/60" />
      {CORNERS.map((corner) => (
        <div
          key={corner}
          onPointerDown={(e) => take(e, corner)}
          className={`absolute h-3 w-3 rounded-sm bg-white ${corner.startsWith('n') ? '-top-1.5' : '-bottom-1.5'} ${corner.endsWith('w') ? '-left-1.5' : '-right-1.5'} ${corner === 'nw' || corner === 'se' ? 'cursor-nwse-resize' : 'cursor-nesw-resize'}`}
        />
      ))}
      {dragged && dragging?.byKeys && (
        <span className="absolute bottom-1 left-1 rounded bg-white px-1 text-[10px] whitespace-nowrap text-[#241f1d]">
          Enter sets it
        </span>
      )}
    </div>
  );
}

const sized = (window: Window, by: number): Window => {
  const height = window.height + by;
  const width = (height * window.width) / window.height;
  return { x: window.x - (width - window.width) / 2, y: window.y - (height - window.height) / 2, width, height };
};

/** A window whose corner was pulled; the opposite one stays. */
function pulled(window: Window, corner: Corner, dx: number, dy: number): Window {
  const ratio = window.width / window.height;
  const wider = corner.endsWith('e') ? dx : -dx;
  const higher = corner.startsWith('s') ? dy : -dy;
  const height = Math.max(1, window.height + (Math.abs(wider) > Math.abs(higher) ? wider / ratio : higher));
  const width = height * ratio;
  return {
    x: corner.endsWith('e') ? window.x : window.x + window.width - width,
    y: corner.startsWith('s') ? window.y : window.y + window.height - height,
    width,
    height,
  };
}
