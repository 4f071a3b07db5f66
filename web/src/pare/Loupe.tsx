import { useEffect, useRef, useState } from 'react';
import { X } from 'lucide-react';
import type { TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { secondsText } from '../ui/time';
import { useChanges } from '../workbench/changes';
import { meantKey } from '../keyboard/keyMap';
import { ShownKey } from '../keyboard/ShownKey';
import { useWorkbench } from '../workbench/store';
import { inkOf } from '../galley/spine';
import { wordAt } from '../galley/setLines';

export const LOUPE_HEIGHT = 188;
const WIDTH = 600;
const HEIGHT = 84;
const AROUND_US = 900_000;
const LONGEST_SHOWN_US = 2_400_000;

/** A join: where what plays before it ends, and where what plays after it begins. */
export interface Join {
  key: string;
  /** The removal it comes of; null for a seam. */
  removal: number | null;
  /** Place of the stretch after the seam; null for a removal. */
  place: number | null;
  outUs: number;
  inUs: number;
}

interface Props {
  join: Join;
  transcript: TranscriptColumns;
  levels: Uint8Array;
  frameUs: number;
}

/** What is being dragged, from where on the screen, and where the edges were. */
interface Grip {
  edge: 'out' | 'in' | 'both';
  x: number;
  edges: { outUs: number; inUs: number };
}

/**
 * One join close up: the sound before it, what was left out, the sound after. Both edges are dragged
 * or nudged by the frame, what lies between is dragged to roll the join, and it is heard over and over.
 */
export function Loupe({ join, transcript, levels, frameUs }: Props) {
  const playback = usePlayback();
  const { change } = useChanges();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [opened] = useState({ outUs: join.outUs, inUs: join.inUs });
  const [edges, setEdges] = useState(opened);
  const [settled, setSettled] = useState(opened);
  const [grip, setGrip] = useState<Grip | null>(null);
  if (settled.outUs !== join.outUs || settled.inUs !== join.inUs) {
    setSettled({ outUs: join.outUs, inUs: join.inUs });
    setEdges({ outUs: join.outUs, inUs: join.inUs });
  }
  const seam = join.removal === null;
  // Two panes side by side, one for each edge; they go on in one another where little was left out.
  const length = join.inUs - join.outUs;
  const whole = !seam && length <= LONGEST_SHOWN_US;
  const from = join.outUs - AROUND_US;
  const leftEnd = whole ? join.outUs + length / 2 : join.outUs + (seam ? AROUND_US : LONGEST_SHOWN_US / 2);
  const rightStart = whole ? leftEnd : join.inUs - (seam ? AROUND_US : LONGEST_SHOWN_US / 2);
  const to = join.inUs + AROUND_US;
  const leftUs = leftEnd - from;
  const shownUs = leftUs + to - rightStart;
  const xOut = (us: number) => ((us - from) / shownUs) * WIDTH;
  const xIn = (us: number) => ((leftUs + us - rightStart) / shownUs) * WIDTH;
  const outOf = (x: number) => from + (x / WIDTH) * shownUs;
  const inOf = (x: number) => rightStart + (x / WIDTH) * shownUs - leftUs;
  const fold = xOut(leftEnd);
  useEffect(() => {
    const g = canvas.current?.getContext('2d');
    if (!g) return;
    g.clearRect(0, 0, WIDTH, HEIGHT);
    const kept = inkOf('--steel');
    const gone = inkOf('--rule');
    g.fillStyle = inkOf('--wash');
    g.fillRect(xOut(edges.outUs), 0, xIn(edges.inUs) - xOut(edges.outUs), HEIGHT);
    for (let x = 0; x < WIDTH; x += 2) {
      const us = x < fold ? outOf(x) : inOf(x);
      const level = Math.max(0, ((levels[Math.floor(us / 10_000)] ?? 0) - 40) / 215);
      const half = Math.max(0.5, (level * HEIGHT) / 2);
      g.fillStyle = x >= xOut(edges.outUs) && x < xIn(edges.inUs) ? gone : kept;
      g.fillRect(x, HEIGHT / 2 - half, 1.4, half * 2);
    }
    if (!whole) {
      g.fillStyle = inkOf('--paper');
      g.fillRect(fold - 5, 0, 10, HEIGHT);
    }
  });
  const move = (next: { outUs: number; inUs: number }) => {
    const clean = { outUs: Math.max(0, Math.round(next.outUs)), inUs: Math.max(0, Math.round(next.inUs)) };
    if (!seam && clean.inUs - clean.outUs < 10_000) return;
    setEdges(clean);
    if (join.removal !== null)
      void change({ type: 'moveCut', id: join.removal, startUs: clean.outUs, endUs: clean.inUs });
    else void change({ type: 'moveSeam', place: join.place!, ...clean });
  };
  const nudge = (edge: 'out' | 'in' | 'both', frames: number) =>
    move({
      outUs: edges.outUs + (edge === 'in' ? 0 : frames * frameUs),
      inUs: edges.inUs + (edge === 'out' ? 0 : frames * frameUs),
    });
  const close = () => useWorkbench.setState({ loupe: null, seam: null });
  const keys = (e: React.KeyboardEvent) => {
    const key = meantKey(e);
    const by = key === ',' || key === '<' ? -1 : key === '.' || key === '>' ? 1 : 0;
    if (by) nudge(e.altKey ? 'both' : e.shiftKey ? 'in' : 'out', by);
    else if (key === 'l') playback.hearAround(edges.outUs - 1, true);
    else if (e.key === 'Escape') close();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const words: { i: number; x: number; width: number; gone: boolean }[] = [];
  const addWords = (
    startUs: number,
    endUs: number,
    xOf: (us: number) => number,
    isGone: (middle: number) => boolean,
  ) => {
    for (
      let i = Math.max(0, wordAt(transcript.startUs, startUs));
      i < transcript.text.length && transcript.startUs[i] < endUs;
      i++
    ) {
      const x = Math.max(xOf(startUs), xOf(transcript.startUs[i]));
      const right = Math.min(xOf(endUs), xOf(transcript.endUs[i]));
      if (right - x > 15)
        words.push({ i, x, width: right - x, gone: isGone((transcript.startUs[i] + transcript.endUs[i]) / 2) });
    }
  };
  if (whole) addWords(from, to, xOut, (middle) => middle >= edges.outUs && middle < edges.inUs);
  else {
    addWords(from, leftEnd, xOut, (middle) => middle >= edges.outUs);
    addWords(rightStart, to, xIn, (middle) => middle < edges.inUs);
  }
  const drag = (edge: 'out' | 'in' | 'both') => ({
    onPointerDown: (e: React.PointerEvent) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      setGrip({ edge, x: e.clientX, edges });
    },
    onPointerMove: (e: React.PointerEvent) => {
      if (grip?.edge !== edge) return;
      const x = e.clientX - canvas.current!.getBoundingClientRect().left;
      const by = Math.round(((e.clientX - grip.x) / WIDTH) * shownUs);
      setEdges((now) => {
        if (edge === 'both') return { outUs: grip.edges.outUs + by, inUs: grip.edges.inUs + by };
        if (edge === 'out') return { ...now, outUs: seam ? outOf(x) : Math.min(outOf(x), now.inUs - 10_000) };
        return { ...now, inUs: seam ? inOf(x) : Math.max(inOf(x), now.outUs + 10_000) };
      });
    },
    onPointerUp: () => {
      setGrip(null);
      move(edges);
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
        <span className="tabular-nums">
          {seam ? 'where two stretches meet' : `${secondsText(edges.inUs - edges.outUs)} taken out here`}
        </span>
        <button aria-label="Close the loupe" onClick={close}>
          <X size={14} />
        </button>
      </div>
      <div className="relative mt-1" style={{ width: WIDTH, height: HEIGHT }}>
        <canvas ref={canvas} width={WIDTH} height={HEIGHT} aria-hidden="true" />
        <div
          className="absolute inset-y-0 cursor-grab"
          style={{ left: xOut(edges.outUs), width: Math.max(0, xIn(edges.inUs) - xOut(edges.outUs)) }}
          title="Drag to roll the join"
          data-testid="loupe-roll"
          {...drag('both')}
        />
        {(['out', 'in'] as const).map((edge) => (
          <div
            key={edge}
            role="slider"
            aria-label={edge === 'out' ? 'Where the cut begins' : 'Where the cut ends'}
            aria-valuenow={edge === 'out' ? edges.outUs : edges.inUs}
            className="absolute inset-y-0 w-3 -translate-x-1/2 cursor-ew-resize border-x-[1px] border-x-transparent"
            style={{ left: edge === 'out' ? xOut(edges.outUs) : xIn(edges.inUs) }}
            {...drag(edge)}
          >
            <div className="mx-auto h-full w-[2px] bg-accent" />
          </div>
        ))}
      </div>
      <div className="relative h-5 overflow-hidden text-[12px]" style={{ width: WIDTH }}>
        {words.map((w) => (
          <span
            key={w.i}
            className={`absolute overflow-hidden font-serif whitespace-nowrap ${w.gone ? 'text-faint line-through' : ''}`}
            style={{ left: w.x, width: w.width }}
          >
            {transcript.text[w.i]}
          </span>
        ))}
      </div>
      <div className="mt-1 flex items-center gap-1 text-[12.5px]">
        <Step label="Begin the cut a frame earlier" text="‹ out" onClick={() => nudge('out', -1)} />
        <Step label="Begin the cut a frame later" text="out ›" onClick={() => nudge('out', 1)} />
        <Step label="Roll the join a frame earlier" text="‹ roll" onClick={() => nudge('both', -1)} />
        <Step label="Roll the join a frame later" text="roll ›" onClick={() => nudge('both', 1)} />
        <Step label="End the cut a frame earlier" text="‹ in" onClick={() => nudge('in', -1)} />
        <Step label="End the cut a frame later" text="in ›" onClick={() => nudge('in', 1)} />
        <span className="ml-auto flex items-center gap-3">
          <button className="link" onClick={() => playback.hearAround(edges.outUs - 1, true)}>
            loop <ShownKey ours="l" />
          </button>
          {!seam && (
            <button className="link" onClick={() => playback.hear(edges.outUs, edges.inUs)}>
              hear what went
            </button>
          )}
          <button className="link" onClick={() => move(opened)}>
            reset
          </button>
          {join.removal !== null && (
            <button
              className="link"
              onClick={() => {
                close();
                void change({ type: 'putBackRemovals', ids: [join.removal!] });
              }}
            >
              put back
            </button>
          )}
        </span>
      </div>
    </div>
  );
}

function Step({ label, text, onClick }: { label: string; text: string; onClick: () => void }) {
  return (
    <button
      className="rounded border border-rule px-1.5 py-0.5 hover:border-faint"
      aria-label={label}
      title={label}
      onClick={onClick}
    >
      {text}
    </button>
  );
}
