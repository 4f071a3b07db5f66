import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { ClipState, Cue, Preview } from '../api/client';
import { usePlayhead } from '../plate/playhead';
import { useChanges } from '../workbench/changes';
import { captionAt } from './captions';
import { ownPlace, placedAt } from './ownPlace';
import { placeIn, put, shapeOf, type Place } from './placing';
import { snapped } from './snapping';
import { useCaptionStanding } from './useCaptionStanding';
import { useStyling } from './useStyling';

const STEP = 0.01;

/** Lets the captions be dragged on the plate, and moved by the arrow keys. */
export function PlacedCaptions({ clip, preview, cues }: { clip: ClipState; preview: Preview; cues: Cue[] }) {
  const styling = useStyling(clip);
  const box = useRef<HTMLDivElement>(null);
  const grip = useRef<{ x: number; y: number; place: { x: number; y: number } } | null>(null);
  const [guides, setGuides] = useState<{ x: number | null; y: number | null } | null>(null);
  const standing = useCaptionStanding(clip);
  const { change } = useChanges();
  const playing = usePlayhead((s) => Math.max(0, captionAt(cues, s.programmeUs + 1)));
  if (!styling || !standing) return null;
  const { safe } = preview.canvas;
  const shape = shapeOf(preview.canvas);
  const own = ownPlace(clip, cues, playing);
  const place = own?.place ?? placeIn(styling.style, shape) ?? standing.place;
  const show = (at: Place) => {
    if (!own) styling.show(put(styling.style, shape, at));
  };
  const keep = (at: Place) => {
    if (own) void change({ type: 'editCaptions', edits: placedAt(own.words, at) });
    else styling.keep(put(styling.style, shape, at));
  };
  const at = (e: PointerEvent) => {
    const { width, height } = box.current!.getBoundingClientRect();
    const from = grip.current!;
    return snapped(
      { x: from.place.x + (e.clientX - from.x) / width, y: from.place.y + (e.clientY - from.y) / height },
      safe,
    );
  };
  const drop = (e: PointerEvent) => {
    const moved =
      grip.current && (Math.abs(e.clientX - grip.current.x) > 3 || Math.abs(e.clientY - grip.current.y) > 3);
    if (moved) keep(at(e).place);
    grip.current = null;
    setGuides(null);
  };
  const byKeys = (e: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    const next = { x: place.x + by[0] * STEP, y: place.y + by[1] * STEP };
    keep({ x: Math.min(1, Math.max(0, next.x)), y: Math.min(1, Math.max(0, next.y)) });
  };
  return (
    <div
      ref={box}
      role="slider"
      aria-label="Place of the captions"
      aria-valuenow={Math.round(place.y * 100)}
      aria-valuetext={`${Math.round(place.x * 100)} % across, ${Math.round(place.y * 100)} % down`}
      tabIndex={0}
      className="absolute inset-0 cursor-move touch-none"
      title="Drag the captions to another place; or the arrow keys"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        grip.current = { x: e.clientX, y: e.clientY, place };
      }}
      onPointerMove={(e) => {
        if (!grip.current) return;
        const next = at(e);
        setGuides(next.guides);
        show(next.place);
      }}
      onPointerUp={drop}
      onPointerCancel={drop}
      onKeyDown={byKeys}
    >
      {guides?.x != null && (
        <div className="absolute inset-y-0 w-px bg-white/80" style={{ left: `${guides.x * 100}%` }} />
      )}
      {guides?.y != null && (
        <div className="absolute inset-x-0 h-px bg-white/80" style={{ top: `${guides.y * 100}%` }} />
      )}
    </div>
  );
}
