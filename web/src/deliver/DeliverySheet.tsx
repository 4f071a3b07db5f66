import { useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { AudioLines } from 'lucide-react';
import { api, Refusal, type Cell, type Sheet, type Spec } from '../api/client';
import { clock } from '../ui/time';
import { useWorkbench, type Stage } from '../workbench/store';
import { ProofPanel } from '../proof/ProofPanel';
import { SaidOfClip } from '../proof/SaidOfClip';
import { CellDetail } from './CellDetail';
import { DeliveryZip } from './DeliveryZip';
import { codecName, hasPicture } from './specFields';
import { SheetCell } from './SheetCell';
import { SpecPanel } from './SpecPanel';

/** Specs that fill the sheet where few are asked for. */
const USUAL = ['vertical-60', 'vertical-90', 'feed-square'];

type Line = Sheet['lines'][number];

/** The delivery sheet: clips by specs. Every cell knows before rendering whether it will pass. */
export function DeliverySheet({
  episodeId,
  heading,
  onOpen,
}: {
  episodeId: number;
  /** What the page of a link is called, to begin with. */
  heading: string;
  onOpen: (clip: number, stage: Stage) => void;
}) {
  const queries = useQueryClient();
  const sheet = useQuery({ queryKey: ['sheet', episodeId], queryFn: () => api.sheet(episodeId) });
  const [chosen, setChosen] = useState<{ clip: number; spec: string } | null>(null);
  const [proofing, setProofing] = useState(false);
  const proofs = useQuery({ queryKey: ['proofs', episodeId], queryFn: () => api.proofs(episodeId) }).data;
  const [chosenSpec, setChosenSpec] = useState<string | null>(null);
  const ticks = useRef<Promise<void>>(Promise.resolve());
  /** Cells as they were ticked, shown until the server has answered. */
  const [pending, setPending] = useState<Record<string, boolean>>({});
  const [added, setAdded] = useState<string[]>([]);
  if (sheet.isError) return <p className="p-10">{(sheet.error as Error).message}</p>;
  if (!sheet.data) return <p className="p-10 text-soft">Looking through the clips</p>;
  const { specs, shipped } = sheet.data;
  const lines = sheet.data.lines.map((l) => ({
    ...l,
    cells: l.cells.map((c) => ({ ...c, asked: pending[`${l.clipId} ${c.spec}`] ?? c.asked })),
  }));
  const asked = new Set(lines.flatMap((l) => l.cells.filter((c) => c.asked).map((c) => c.spec)));
  const usual = USUAL.filter((id) => !asked.has(id)).slice(0, Math.max(0, USUAL.length - asked.size));
  const shown = specs.filter((s) => asked.has(s.id) || usual.includes(s.id) || added.includes(s.id));
  const cells = lines.flatMap((l) => l.cells.filter((c) => c.asked).map((c) => ({ line: l, cell: c })));
  const finished = cells.filter(({ cell }) => cell.state === 'DONE' && cell.current);
  const busy = cells.filter(({ cell }) => cell.state === 'WAITING' || cell.state === 'RENDERING');
  const open = cells.filter(
    ({ cell }) => cell.passes && !(cell.state === 'DONE' && cell.current) && !busy.some((b) => b.cell === cell),
  );
  const left = restTime(cells.map((c) => c.cell));
  const key = ['sheet', episodeId];
  const send = async (clipId: number, spec: string, asked: boolean) => {
    try {
      const held = (await api.sheet(episodeId)).lines.find((l) => l.clipId === clipId);
      if (!held) return;
      const wanted = held.cells.filter((c) => (c.spec === spec ? asked : c.asked)).map((c) => c.spec);
      await api.change(clipId, held.revision, { type: 'askFor', specs: wanted });
    } catch (error) {
      useWorkbench.setState({ message: (error as Refusal).message });
    }
    await queries.invalidateQueries({ queryKey: key });
    setPending((before) =>
      Object.fromEntries(
        Object.entries(before).filter(([cell, ticked]) => cell !== `${clipId} ${spec}` || ticked !== asked),
      ),
    );
    await queries.invalidateQueries({ queryKey: ['clips'] });
  };
  const toggle = (line: Line, cell: Cell) => {
    const asked = !cell.asked;
    setPending((before) => ({ ...before, [`${line.clipId} ${cell.spec}`]: asked }));
    ticks.current = ticks.current.then(() => send(line.clipId, cell.spec, asked));
  };
  const line = lines.find((l) => l.clipId === chosen?.clip);
  const cell = line?.cells.find((c) => c.spec === chosen?.spec);
  const spec = specs.find((s) => s.id === chosenSpec);
  return (
    <>
      <main className="flex min-w-0 flex-1 flex-col">
        <div className="min-h-0 flex-1 overflow-auto px-6 py-5">
          <div className="flex items-start justify-between gap-4">
            <div>
              <h1 className="font-serif text-[22px] font-semibold">Delivery sheet</h1>
              <p className="text-soft">{summary(lines.length, cells.length, finished.length, busy.length)}</p>
            </div>
            {lines.length > 0 && (
              <div className="flex items-center gap-2">
                <AddColumn specs={specs.filter((s) => !shown.includes(s))} onAdd={(id) => setAdded([...added, id])} />
                <button className="button" aria-pressed={proofing} onClick={() => setProofing(!proofing)}>
                  Show for a yes
                </button>
              </div>
            )}
          </div>
          {lines.length === 0 ? (
            <p className="mt-8 max-w-md">
              There are no clips yet. Go to <b>Pick</b>, keep a proposal or select words and press C; then tick here
              where each clip should go.
            </p>
          ) : (
            <div role="table" aria-label="Clips by specs" className="mt-4 min-w-max">
              <div role="row" className="flex items-end gap-4 border-b border-rule pb-2.5">
                <div role="columnheader" className="label w-[190px] shrink-0">
                  Clip
                </div>
                {shown.map((s) => (
                  <SpecHead
                    key={s.id}
                    spec={s}
                    chosen={chosenSpec === s.id}
                    onChoose={() => {
                      setProofing(false);
                      setChosen(null);
                      setChosenSpec(s.id);
                    }}
                  />
                ))}
              </div>
              {lines.map((l) => (
                <div role="row" key={l.clipId} className="flex items-stretch gap-4 border-b border-rule py-3">
                  <button
                    role="rowheader"
                    className="w-[190px] shrink-0 text-left"
                    onClick={() => onOpen(l.clipId, 'pare')}
                  >
                    <div className="font-serif text-[15px] leading-snug font-semibold">{l.title}</div>
                    <div className="text-[12px] text-soft tabular-nums">
                      {clock(l.lengthUs)} pared from {clock(l.originalUs)}
                    </div>
                    {proofs && <SaidOfClip proofs={proofs} clipId={l.clipId} />}
                  </button>
                  {shown.map((s) => {
                    const c = l.cells.find((x) => x.spec === s.id)!;
                    return (
                      <SheetCell
                        key={s.id}
                        line={l}
                        cell={c}
                        chosen={chosen?.clip === l.clipId && chosen.spec === s.id}
                        onChoose={() => {
                          setProofing(false);
                          setChosenSpec(null);
                          setChosen({ clip: l.clipId, spec: s.id });
                        }}
                        onToggle={() => toggle(l, c)}
                        onOpen={(stage) => onOpen(l.clipId, stage)}
                      />
                    );
                  })}
                </div>
              ))}
            </div>
          )}
        </div>
        <footer className="flex shrink-0 items-center gap-4 border-t border-rule px-6 py-2.5">
          <span className="whitespace-nowrap" data-testid="done">
            {finished.length} of {cells.length} files
          </span>
          <div className="h-2 flex-1 overflow-hidden rounded-full bg-rule">
            <div
              className="h-full bg-steel"
              style={{ width: `${cells.length ? (progress(cells.map((c) => c.cell)) / cells.length) * 100 : 0}%` }}
            />
          </div>
          <span className="w-[120px] text-right text-soft whitespace-nowrap">{busy.length ? left : ''}</span>
          {finished.length > 0 && <DeliveryZip episodeId={episodeId} />}
          <button
            className="button button-strong"
            disabled={open.length === 0}
            data-testid="render"
            onClick={async () => {
              // What was ticked a moment ago is rendered too.
              await ticks.current;
              await api.renderAll(episodeId);
              await queries.invalidateQueries({ queryKey: ['sheet'] });
            }}
          >
            {busy.length && !open.length
              ? 'Rendering'
              : finished.length
                ? 'Render the rest'
                : `Render ${open.length} file${open.length === 1 ? '' : 's'}`}
          </button>
        </footer>
      </main>
      <aside className="w-[330px] shrink-0 overflow-y-auto border-l border-rule bg-desk px-4 py-4">
        {proofing ? (
          <ProofPanel
            episodeId={episodeId}
            heading={heading}
            clips={lines.map((l) => ({ id: l.clipId, title: l.title }))}
            onOpen={(clip) => onOpen(clip, 'pare')}
          />
        ) : spec ? (
          <SpecPanel
            key={spec.id}
            spec={spec}
            locked={shipped.includes(spec.id)}
            onChosen={(id) => {
              setAdded([...added, id]);
              setChosenSpec(id);
            }}
            onGone={() => setChosenSpec(null)}
          />
        ) : line && cell ? (
          <CellDetail
            episodeId={episodeId}
            line={line}
            cell={cell}
            spec={specs.find((s) => s.id === cell.spec)!}
            onOpen={(stage) => onOpen(line.clipId, stage)}
          />
        ) : (
          <p className="text-soft">
            Choose a cell to see what was checked, and to play what is finished. Choose the head of a column to see what
            that spec asks for, or to make one of your own from it.
          </p>
        )}
      </aside>
    </>
  );
}

function summary(clips: number, asked: number, finished: number, busy: number) {
  if (!asked) return `${clips} clip${clips === 1 ? '' : 's'}; tick where each should go`;
  const parts = [
    `${clips} clip${clips === 1 ? '' : 's'}`,
    `${asked} file${asked === 1 ? '' : 's'} asked for`,
    `${finished} ready`,
  ];
  if (busy) parts.push(`${busy} in the queue`);
  return parts.join(', ');
}

const progress = (cells: Cell[]) =>
  cells.reduce((n, c) => n + (c.state === 'DONE' && c.current ? 1 : c.state === 'RENDERING' ? c.progress : 0), 0);

function restTime(cells: Cell[]): string {
  const known = cells.filter((c) => c.secondsLeft !== null);
  if (!known.length) return 'starting';
  const seconds = known.reduce((n, c) => n + c.secondsLeft!, 0);
  const one = known.reduce((n, c) => n + c.secondsLeft! / Math.max(0.03, 1 - c.progress), 0) / known.length;
  const all = seconds + cells.filter((c) => c.state === 'WAITING').length * one;
  return all < 90 ? `about ${Math.round(all)} s left` : `about ${Math.round(all / 60)} min left`;
}

function SpecHead({ spec, chosen, onChoose }: { spec: Spec; chosen: boolean; onChoose: () => void }) {
  const box = 22 / Math.max(spec.canvas.width, spec.canvas.height);
  const { codec } = spec.encoding;
  return (
    <div role="columnheader" className="w-[160px] shrink-0">
      <button
        className={`-mx-1.5 block w-full rounded px-1.5 text-left hover:bg-desk ${chosen ? 'bg-desk' : ''}`}
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
          {hasPicture(codec) ? `${spec.canvas.width} × ${spec.canvas.height}` : codecName(codec)}, up to{' '}
          {clock(spec.length.longestUs)}
        </span>
      </button>
    </div>
  );
}

function AddColumn({ specs, onAdd }: { specs: Spec[]; onAdd: (id: string) => void }) {
  if (!specs.length) return null;
  return (
    <select
      className="field w-[132px] text-soft"
      value=""
      aria-label="Show another spec"
      onChange={(e) => onAdd(e.target.value)}
    >
      <option value="">another spec</option>
      {specs.map((s) => (
        <option key={s.id} value={s.id}>
          {s.name}
        </option>
      ))}
    </select>
  );
}
