import { Fragment, useRef, useState, type KeyboardEvent } from 'react';
import { AudioLines } from 'lucide-react';
import type { Spec } from '../api/client';
import type { components } from '../api/schema';
import { SaidOfClip } from '../proof/SaidOfClip';
import { clock } from '../ui/time';
import type { Stage } from '../workbench/store';
import { SheetCell } from './SheetCell';
import { ticked, type Line } from './sheetView';
import { codecName, hasPicture } from './specFields';
import { Ticks } from './Ticks';

export interface Chosen {
  clip: number;
  spec: string;
}

interface Props {
  lines: Line[];
  specs: Spec[];
  chosen: Chosen | null;
  chosenSpec: string | null;
  proofs: components['schemas']['ProofsOfEpisode'] | undefined;
  onChoose: (cell: Chosen) => void;
  onChooseSpec: (spec: string) => void;
  onTick: (cells: { clipId: number; spec: string }[], asked: boolean) => void;
  onOpen: (clip: number, stage: Stage) => void;
  /** Where it is said which episode a clip is of. */
  episodes: 'hidden' | 'above' | 'beside';
}

const STEPS: Record<string, [down: number, across: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

const episodeOf = ({ show, episode }: Line) => (show ? `${show} / ${episode}` : episode);

/** Clips by specs; arrow keys go from cell to cell, space asks for one, Enter shows it. */
export function SheetTable({
  lines,
  specs,
  chosen,
  chosenSpec,
  proofs,
  onChoose,
  onChooseSpec,
  onTick,
  onOpen,
  episodes,
}: Props) {
  const grid = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<[number, number]>([0, 0]);
  const row = Math.min(at[0], lines.length - 1);
  const column = Math.min(at[1], specs.length - 1);
  const goTo = (down: number, across: number) => {
    const next: [number, number] = [
      Math.max(0, Math.min(lines.length - 1, down)),
      Math.max(0, Math.min(specs.length - 1, across)),
    ];
    setAt(next);
    grid.current?.querySelector<HTMLElement>(`[data-at="${next.join(' ')}"]`)?.focus();
  };
  const key = (e: KeyboardEvent, line: Line, spec: string, r: number, c: number) => {
    if (e.target !== e.currentTarget || e.ctrlKey || e.metaKey || e.altKey) return;
    const step = STEPS[e.key];
    if (step) goTo(r + step[0], c + step[1]);
    else if (e.key === 'Home') goTo(r, 0);
    else if (e.key === 'End') goTo(r, specs.length - 1);
    else if (e.key === ' ') onTick([{ clipId: line.clipId, spec }], !line.cells.find((x) => x.spec === spec)!.asked);
    else if (e.key === 'Enter') onChoose({ clip: line.clipId, spec });
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const cellsOf = (l: Line) => specs.map((s) => l.cells.find((c) => c.spec === s.id)!);
  return (
    <div ref={grid} role="grid" aria-label="Clips by specs" className="mt-2 min-w-max">
      <div role="row" className="sticky -top-5 z-10 flex items-end gap-4 border-b border-rule bg-paper pt-2 pb-2.5">
        <div role="columnheader" className="label w-[190px] shrink-0">
          Clip
        </div>
        {specs.map((s) => (
          <SpecHead
            key={s.id}
            spec={s}
            chosen={chosenSpec === s.id}
            state={ticked(lines.map((l) => l.cells.find((c) => c.spec === s.id)!))}
            onChoose={() => onChooseSpec(s.id)}
            onTick={(asked) =>
              onTick(
                lines.map((l) => ({ clipId: l.clipId, spec: s.id })),
                asked,
              )
            }
          />
        ))}
      </div>
      {lines.map((l, r) => (
        <Fragment key={l.clipId}>
          {episodes === 'above' && l.episodeId !== lines[r - 1]?.episodeId && (
            <div role="row" className="border-b border-rule bg-desk/60 px-1.5 pt-4 pb-1.5">
              <div role="gridcell" className="label">
                {episodeOf(l)}
              </div>
            </div>
          )}
          <div role="row" className="flex items-stretch gap-4 border-b border-rule py-3">
            <div role="rowheader" className="flex w-[190px] shrink-0 items-start gap-2">
              <button className="min-w-0 flex-1 text-left" onClick={() => onOpen(l.clipId, 'pare')}>
                <div className="font-serif text-[15px] leading-snug font-semibold">{l.title}</div>
                <div className="text-[12px] text-soft tabular-nums">
                  {clock(l.lengthUs)} pared from {clock(l.originalUs)}
                </div>
                {episodes === 'beside' && <div className="text-[12px] text-soft">{episodeOf(l)}</div>}
                {proofs && <SaidOfClip proofs={proofs} clipId={l.clipId} />}
              </button>
              <span className="pt-0.5">
                <Ticks
                  state={ticked(cellsOf(l))}
                  label={`${l.title} for all that are shown`}
                  onTick={(asked) =>
                    onTick(
                      specs.map((s) => ({ clipId: l.clipId, spec: s.id })),
                      asked,
                    )
                  }
                />
              </span>
            </div>
            {cellsOf(l).map((cell, c) => (
              <SheetCell
                key={cell.spec}
                line={l}
                cell={cell}
                spec={specs[c].name}
                chosen={chosen?.clip === l.clipId && chosen.spec === cell.spec}
                place={`${r} ${c}`}
                reached={r === row && c === column}
                onKey={(e) => key(e, l, cell.spec, r, c)}
                onReach={() => setAt([r, c])}
                onChoose={() => onChoose({ clip: l.clipId, spec: cell.spec })}
                onToggle={() => onTick([{ clipId: l.clipId, spec: cell.spec }], !cell.asked)}
                onOpen={(stage) => onOpen(l.clipId, stage)}
              />
            ))}
          </div>
        </Fragment>
      ))}
    </div>
  );
}

function SpecHead({
  spec,
  chosen,
  state,
  onChoose,
  onTick,
}: {
  spec: Spec;
  chosen: boolean;
  state: 'all' | 'some' | 'none';
  onChoose: () => void;
  onTick: (asked: boolean) => void;
}) {
  const box = 22 / Math.max(spec.canvas.width, spec.canvas.height);
  const { codec } = spec.encoding;
  return (
    <div role="columnheader" className="flex w-[160px] shrink-0 items-start">
      <button
        className={`-ml-1.5 block min-w-0 flex-1 rounded px-1.5 text-left hover:bg-desk ${chosen ? 'bg-desk' : ''}`}
        aria-pressed={chosen}
        title="What this spec asks for"
        onClick={onChoose}
      >
        <span className="flex h-[24px] items-end">
          {hasPicture(codec) ? (
            <span
              className="border-[1.5px] border-steel"
              style={{ width: spec.canvas.width * box, height: spec.canvas.height * box }}
            />
          ) : (
            <AudioLines size={18} className="text-steel" />
          )}
        </span>
        <span className="mt-1 block font-semibold">{spec.name}</span>
        <span className="block text-[12px] text-soft">
          {hasPicture(codec) ? `${spec.canvas.width} × ${spec.canvas.height}` : codecName(codec)}
          <br />
          up to {clock(spec.length.longestUs)}
        </span>
      </button>
      <span className="pt-1 pr-3 pl-4">
        <Ticks state={state} label={`All that are shown for ${spec.name}`} onTick={onTick} />
      </span>
    </div>
  );
}
