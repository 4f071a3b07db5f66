import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Cell, type QueueLine, type Spec } from '../api/client';
import type { Stage } from '../workbench/store';
import { PostFiles } from '../outbox/PostFiles';
import { ProofPanel } from '../proof/ProofPanel';
import { QueueLink } from '../queue/QueueLink';
import { CellDetail } from './CellDetail';
import { arranged, isReady, type Line, type Order, type Shown } from './sheetView';
import { SheetTable, type Chosen } from './SheetTable';
import { SpecPanel } from './SpecPanel';
import { TakeHome } from './TakeHome';
import { useSheet, type SheetOf } from './useSheet';

/** Specs that fill the sheet where few are asked for. */
const USUAL = ['vertical-60', 'vertical-90', 'feed-square'];

/** The delivery sheet: clips by specs. Every cell knows before rendering whether it will pass. */
export function DeliverySheet({
  of,
  heading = '',
  onOpen,
}: {
  of: SheetOf;
  /** What the page of a link is called, to begin with. */
  heading?: string;
  onOpen: (line: Line, stage: Stage) => void;
}) {
  const queue = useQuery({ queryKey: ['queue'], queryFn: api.queue }).data;
  const sheet = useSheet(of);
  const episodeId = 'episode' in of ? of.episode : null;
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [proofing, setProofing] = useState(false);
  const proofs = useQuery({
    queryKey: ['proofs', episodeId],
    queryFn: () => api.proofs(episodeId!),
    enabled: episodeId !== null,
  }).data;
  const [chosenSpec, setChosenSpec] = useState<string | null>(null);
  const [added, setAdded] = useState<string[]>([]);
  const [order, setOrder] = useState<Order>('made');
  const [shownLines, setShownLines] = useState<Shown>('all');
  if (sheet.error) return <p className="p-10">{sheet.error.message}</p>;
  if (!sheet.specs) return <p className="p-10 text-soft">Looking through the clips</p>;
  const { specs, shipped, lines, away } = sheet;
  const openClip = (clip: number, stage: Stage) => {
    const clicked = lines.find((l) => l.clipId === clip);
    if (clicked) onOpen(clicked, stage);
  };
  const asked = new Set(lines.flatMap((l) => l.cells.filter((c) => c.asked).map((c) => c.spec)));
  const usual = USUAL.filter((id) => !asked.has(id)).slice(0, Math.max(0, USUAL.length - asked.size));
  const shown = specs.filter((s) => asked.has(s.id) || usual.includes(s.id) || added.includes(s.id));
  const cells = lines.flatMap((l) => l.cells.filter((c) => c.asked));
  const finished = cells.filter(isReady);
  const busy = cells.filter((c) => c.state === 'WAITING' || c.state === 'RENDERING');
  const open = cells.filter((c) => c.passes && !isReady(c) && !busy.includes(c));
  const rows = arranged(lines, shownLines, order);
  const left = restTime(queue?.lines.filter((q) => lines.some((l) => l.episodeId === q.episodeId)) ?? []);
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
                <QueueLink />
                <AddColumn specs={specs.filter((s) => !shown.includes(s))} onAdd={(id) => setAdded([...added, id])} />
                {episodeId !== null && (
                  <button className="button" aria-pressed={proofing} onClick={() => setProofing(!proofing)}>
                    Show for a yes
                  </button>
                )}
              </div>
            )}
          </div>
          {lines.length === 0 ? (
            <p className="mt-8 max-w-md">
              There are no clips yet. Go to <b>Pick</b>, keep a proposal or select words and press C; then tick here
              where each clip should go.
            </p>
          ) : (
            <>
              {lines.length > 1 && (
                <Arrangement order={order} shown={shownLines} onOrder={setOrder} onShown={setShownLines} />
              )}
              <SheetTable
                lines={rows}
                specs={shown}
                chosen={chosen}
                chosenSpec={chosenSpec}
                proofs={proofs}
                onChoose={(cell) => {
                  setProofing(false);
                  setChosenSpec(null);
                  setChosen(cell);
                }}
                onChooseSpec={(id) => {
                  setProofing(false);
                  setChosen(null);
                  setChosenSpec(id);
                }}
                onTick={sheet.tick}
                onOpen={openClip}
                episodes={episodeId !== null ? 'hidden' : order === 'made' ? 'above' : 'beside'}
              />
              {away.length > 0 && <p className="mt-4 text-soft">Not to be seen just now: {away.join(', ')}.</p>}
              {rows.length === 0 && <p className="mt-6 text-soft">No clip is like that.</p>}
            </>
          )}
        </div>
        <footer className="flex shrink-0 items-center gap-4 border-t border-rule px-6 py-2.5">
          <span className="whitespace-nowrap" data-testid="done">
            {finished.length} of {cells.length} {cells.length === 1 ? 'file' : 'files'}
          </span>
          <div className="h-2 flex-1 overflow-hidden rounded-full bg-rule">
            <div
              className="h-full bg-steel"
              style={{ width: `${cells.length ? (progress(cells) / cells.length) * 100 : 0}%` }}
            />
          </div>
          <span className="w-[120px] text-right text-soft whitespace-nowrap">{busy.length ? left : ''}</span>
          {finished.length > 0 && (
            <PostFiles
              specs={specs}
              ready={rows.flatMap((l) => l.cells.filter(isReady).map((c) => ({ clipId: l.clipId, spec: c.spec })))}
            />
          )}
          {finished.length > 0 && <TakeHome of={of} />}
          <button
            className="button button-strong"
            disabled={open.length === 0}
            data-testid="render"
            onClick={() => void sheet.renderAll()}
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
        {proofing && episodeId !== null ? (
          <ProofPanel
            episodeId={episodeId}
            heading={heading}
            clips={lines.map((l) => ({ id: l.clipId, title: l.title }))}
            onOpen={(clip) => openClip(clip, 'pare')}
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
            line={line}
            cell={cell}
            spec={specs.find((s) => s.id === cell.spec)!}
            onOpen={(stage) => onOpen(line, stage)}
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
  cells.reduce((n, c) => n + (isReady(c) ? 1 : c.state === 'RENDERING' ? c.progress : 0), 0);

/** Until the last of what is ordered is done; nothing where something is under way and it is not known. */
function restTime(lines: QueueLine[]): string {
  const seconds = Math.max(...lines.map((l) => l.secondsLeft ?? 0));
  if (!(seconds > 0)) return lines.some((l) => l.state === 'WAITING') ? 'in the queue' : '';
  return seconds < 90 ? `about ${seconds} s left` : `about ${Math.round(seconds / 60)} min left`;
}

const ORDERS: [Order, string][] = [
  ['made', 'as they were made'],
  ['title', 'by title'],
  ['longest', 'the longest first'],
  ['hand', 'what needs a hand first'],
];
const SHOWN: [Shown, string][] = [
  ['all', 'All clips'],
  ['hand', 'Those that need a hand'],
  ['open', 'Those that are not done'],
  ['ready', 'Those that are ready'],
];

function Arrangement({
  order,
  shown,
  onOrder,
  onShown,
}: {
  order: Order;
  shown: Shown;
  onOrder: (order: Order) => void;
  onShown: (shown: Shown) => void;
}) {
  return (
    <div className="mt-3 flex items-center gap-2 text-[12.5px]">
      <select
        className="field w-auto py-1 text-[12.5px]"
        aria-label="Which clips are shown"
        value={shown}
        onChange={(e) => onShown(e.target.value as Shown)}
      >
        {SHOWN.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
      <select
        className="field w-auto py-1 text-[12.5px]"
        aria-label="In what order"
        value={order}
        onChange={(e) => onOrder(e.target.value as Order)}
      >
        {ORDERS.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
      <span className="text-soft">arrow keys go from cell to cell, space asks for one, Enter shows it</span>
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
