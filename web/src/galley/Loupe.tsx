import { useEffect, useRef, useState } from 'react';
import { X } from 'lucide-react';
import type { ClipState, TranscriptColumns } from '../api/client';
import { current } from '../plate/player';
import { secondsText } from '../ui/time';
import { change } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';
import { inkOf } from './spine';
import { wordAt } from './setLines';

export const LOUPE_HEIGHT = 188;
const WIDTH = 600;
const HEIGHT = 84;
const AROUND_US = 900_000;
const LONGEST_SHOWN_US = 2_400_000;

type Removal = ClipState['removals'][number];

interface Props {
  removal: Removal;
  transcript: TranscriptColumns;
  levels: Uint8Array;
  frameUs: number;
}

/**
 * One join close up: the sound before it, what was taken out, the sound after. Both edges are dragged
 * or nudged by the frame, rolled together, and heard over and over.
 */
export function Loupe({ removal, transcript, levels, frameUs }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const opened = useRef(removal.span);
  const [span, setSpan] = useState(removal.span);
  const [dragging, setDragging] = useState<'in' | 'out' | null>(null);
  useEffect(() => setSpan(removal.span), [removal.span]);
  const length = removal.span.endUs - removal.span.startUs;
  const folded = Math.max(0, length - LONGEST_SHOWN_US);
  const from = removal.span.startUs - AROUND_US;
  const to = removal.span.endUs + AROUND_US;
  const foldFrom = removal.span.startUs + (length - folded) / 2;
  const shownUs = to - from - folded;
  const xOf = (us: number) => {
    const at = us <= foldFrom ? us - from : us >= foldFrom + folded ? us - from - folded : foldFrom - from;
    return (at / shownUs) * WIDTH;
  };
  const usOf = (x: number) => {
    const at = from + (x / WIDTH) * shownUs;
    return at <= foldFrom ? at : at + folded;
  };
  useEffect(() => {
    const g = canvas.current?.getContext('2d');
    if (!g) return;
    g.clearRect(0, 0, WIDTH, HEIGHT);
    const kept = inkOf('--steel');
    const gone = inkOf('--rule');
    g.fillStyle = inkOf('--wash');
    g.fillRect(xOf(span.startUs), 0, xOf(span.endUs) - xOf(span.startUs), HEIGHT);
    for (let x = 0; x < WIDTH; x += 2) {
      const us = usOf(x);
      const level = Math.max(0, ((levels[Math.floor(us / 10_000)] ?? 0) - 40) / 215);
      const half = Math.max(0.5, (level * HEIGHT) / 2);
      g.fillStyle = us >= span.startUs && us < span.endUs ? gone : kept;
      g.fillRect(x, HEIGHT / 2 - half, 1.4, half * 2);
    }
    if (folded > 0) {
      g.fillStyle = inkOf('--paper');
      g.fillRect(xOf(foldFrom) - 5, 0, 10, HEIGHT);
    }
  });
  const move = (next: { startUs: number; endUs: number }) => {
    const clean = { startUs: Math.max(0, Math.round(next.startUs)), endUs: Math.round(next.endUs) };
    if (clean.endUs - clean.startUs < 10_000) return;
    setSpan(clean);
    void change({ type: 'moveCut', id: removal.id, ...clean });
  };
  const nudge = (edge: 'in' | 'out' | 'both', frames: number) =>
    move({
      startUs: span.startUs + (edge === 'out' ? 0 : frames * frameUs),
      endUs: span.endUs + (edge === 'in' ? 0 : frames * frameUs),
    });
  const close = () => useWorkbench.setState({ loupe: null });
  const keys = (e: React.KeyboardEvent) => {
    const by = e.key === ',' || e.key === '<' ? -1 : e.key === '.' || e.key === '>' ? 1 : 0;
    if (by) nudge(e.altKey ? 'both' : e.shiftKey ? 'out' : 'in', by);
    else if (e.key === 'l') current.hearAround(span.startUs - 1, true);
    else if (e.key === 'Escape') close();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const words = [];
  for (let i = Math.max(0, wordAt(transcript.startUs, from)); i < transcript.text.length && transcript.startUs[i] < to; i++) {
    const x = xOf(transcript.startUs[i]);
    const right = xOf(transcript.endUs[i]);
    if (right - x > 15) words.push({ i, x, width: right - x });
  }
  const drag = (edge: 'in' | 'out') => ({
    onPointerDown: (e: React.PointerEvent) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      setDragging(edge);
    },
    onPointerMove: (e: React.PointerEvent) => {
      if (dragging !== edge) return;
      const us = usOf(e.clientX - canvas.current!.getBoundingClientRect().left);
      setSpan((s) => (edge === 'in' ? { ...s, startUs: Math.min(us, s.endUs - 10_000) } : { ...s, endUs: Math.max(us, s.startUs + 10_000) }));
    },
    onPointerUp: () => {
      setDragging(null);
      move(span);
    },
  });
  return (
    <div
      className="ml-[88px] w-[640px] rounded-lg border border-accent bg-paper px-5 py-2 shadow-md outline-none"
      style={{ height: LOUPE_HEIGHT - 12, outline: 'none' }}
      role="group"
      aria-label="Loupe: one join close up"
      data-testid="loupe"
      tabIndex={0}
      ref={(element) => {
        if (element && !element.dataset.met) {
          element.dataset.met = 'yes';
          element.focus({ preventScroll: true });
        }
      }}
      onKeyDown={keys}
    >
      <div className="flex items-center justify-between text-[12.5px] text-soft">
        <span className="tabular-nums">{secondsText(span.endUs - span.startUs)} taken out here</span>
        <button aria-label="Close the loupe" onClick={close}>
          <X size={14} />
        </button>
      </div>
      <div className="relative mt-1" style={{ width: WIDTH, height: HEIGHT }}>
        <canvas ref={canvas} width={WIDTH} height={HEIGHT} aria-hidden="true" />
        {(['in', 'out'] as const).map((edge) => (
          <div
            key={edge}
            role="slider"
            aria-label={edge === 'in' ? 'Where the cut begins' : 'Where the cut ends'}
            aria-valuenow={edge === 'in' ? span.startUs : span.endUs}
            className="absolute inset-y-0 w-3 -translate-x-1/2 cursor-ew-resize border-x-[1px] border-x-transparent"
            style={{ left: xOf(edge === 'in' ? span.startUs : span.endUs) }}
            {...drag(edge)}
          >
            <div className="mx-auto h-full w-[2px] bg-accent" />
          </div>
        ))}
      </div>
      <div className="relative h-5 overflow-hidden text-[12px]" style={{ width: WIDTH }}>
        {words.map((w) => {
          const gone = (transcript.startUs[w.i] + transcript.endUs[w.i]) / 2 >= span.startUs && (transcript.startUs[w.i] + transcript.endUs[w.i]) / 2 < span.endUs;
          return (
            <span key={w.i} className={`absolute overflow-hidden font-serif whitespace-nowrap ${gone ? 'text-faint line-through' : ''}`} style={{ left: w.x, width: w.width }}>
              {transcript.text[w.i]}
            </span>
          );
        })}
      </div>
      <div className="mt-1 flex items-center gap-1 text-[12.5px]">
        <Step label="Begin the cut a frame earlier" text="‹ in" onClick={() => nudge('in', -1)} />
        <Step label="Begin the cut a frame later" text="in ›" onClick={() => nudge('in', 1)} />
        <Step label="Roll the join a frame earlier" text="‹ roll" onClick={() => nudge('both', -1)} />
        <Step label="Roll the join a frame later" text="roll ›" onClick={() => nudge('both', 1)} />
        <Step label="End the cut a frame earlier" text="‹ out" onClick={() => nudge('out', -1)} />
        <Step label="End the cut a frame later" text="out ›" onClick={() => nudge('out', 1)} />
        <span className="ml-auto flex items-center gap-3">
          <button className="link" onClick={() => current.hearAround(span.startUs - 1, true)}>
            loop <span className="text-[11px] text-faint">L</span>
          </button>
          <button className="link" onClick={() => current.hear(span.startUs, span.endUs)}>
            hear what went
          </button>
          <button className="link" onClick={() => move(opened.current)}>
            reset
          </button>
          <button
            className="link"
            onClick={() => {
              close();
              void change({ type: 'putBackRemovals', ids: [removal.id] });
            }}
          >
            put back
          </button>
        </span>
      </div>
    </div>
  );
}

function Step({ label, text, onClick }: { label: string; text: string; onClick: () => void }) {
  return (
    <button className="rounded border border-rule px-1.5 py-0.5 hover:border-faint" aria-label={label} title={label} onClick={onClick}>
      {text}
    </button>
  );
}
