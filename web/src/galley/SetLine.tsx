import { memo, useEffect, useMemo, useRef } from 'react';
import type { ClipState, Means, Pick, Removal, Span, TranscriptColumns } from '../api/client';
import { assertNever } from '../ui/assertNever';
import { clock } from '../ui/time';
import { keyFor, keyName } from '../keyboard/keyMap';
import type { Corrections } from '../workbench/corrections';
import { useWorkbench, type Stage } from '../workbench/store';
import { CorrectField } from './CorrectField';
import { Lane, type LanePiece, type Retiming } from './Lane';
import type { Row } from './setLines';
import { isPared } from './stops';
import { drawSpine } from './spine';
import { TimeIndex } from './timeIndex';
import { isSpaced } from '../ui/spacing';

const NO_TIMES: number[] = [];

type LineRow = Extract<Row, { kind: 'line' }>;

interface LineProps {
  row: LineRow;
  transcript: TranscriptColumns;
  levels: Uint8Array;
  clip: ClipState | null;
  /** What stands beside the words in the stages after paring. */
  beside: LanePiece[] | null;
  stage: Stage;
  /** Width of the lane; 0 for none. */
  laneWidth: number;
  retiming: Retiming | null;
  /** Whether the pieces of the lane carry their text. */
  named: boolean;
  flags: Uint8Array;
  showStruck: boolean;
  selectedFrom: number;
  selectedTo: number;
  marks: Uint8Array;
  nowFrom: number;
  nowTo: number;
  picks: Pick[];
  breaks: Uint8Array | null;
  remarked: Uint8Array;
  /** Words under the text field, where they touch this line; -1 for none. */
  correctFrom: number;
  correctTo: number;
  corrections: Corrections;
  /** The selected pause, by the word before it; -1 for none in this line. */
  pause: number;
}

/** How words look, and what is said of them, that were treated otherwise than by a cut. */
function treatment(means: Means): { name: string; title: string } | null {
  switch (means) {
    case 'CUT':
      return null;
    case 'ROOM_TONE':
      return { name: 'toned', title: 'room tone instead: not heard, not captioned' };
    case 'MUTE':
      return { name: 'muted', title: 'muted: not heard, but captioned' };
    case 'CAPTIONS_ONLY':
      return { name: 'uncaptioned', title: 'heard, but out of the captions' };
    default:
      return assertNever(means);
  }
}

/** Whether a line looks the same: an edit elsewhere in a long clip must not set every line anew. */
function sameLine(a: LineProps, b: LineProps): boolean {
  for (const key of Object.keys(b) as (keyof LineProps)[]) {
    if (key !== 'clip' && key !== 'flags' && a[key] !== b[key]) return false;
  }
  if (a.clip === b.clip && a.flags === b.flags) return true;
  if (!a.clip || !b.clip || a.clip.id !== b.clip.id) return false;
  const { row } = b;
  for (let i = row.from; i < row.to; i++) if (a.flags[i] !== b.flags[i]) return false;
  const gapsHere = (clip: ClipState) =>
    JSON.stringify(clip.pared.gaps.filter((g) => g.word >= row.from && g.word < row.to));
  return (
    sameSpans(cutIn(a.clip, row), cutIn(b.clip, row)) &&
    sameTreated(treatedIn(a.clip, row), treatedIn(b.clip, row)) &&
    gapsHere(a.clip) === gapsHere(b.clip)
  );
}

const sameSpan = (a: Span, b: Span) => a.startUs === b.startUs && a.endUs === b.endUs;
const sameSpans = (a: Span[], b: Span[]) => a.length === b.length && a.every((s, i) => sameSpan(s, b[i]));
const sameTreated = (a: Removal[], b: Removal[]) =>
  a.length === b.length && a.every((r, i) => r.means === b[i].means && sameSpan(r.span, b[i].span));

const cutByTime = new WeakMap<Span[], TimeIndex<Span>>();
const treatedByTime = new WeakMap<Removal[], TimeIndex<Removal>>();

/** What was cut in a line; arranged by time once for each state of a clip, as clips of hours have thousands of cuts. */
function cutIn(clip: ClipState, row: LineRow): Span[] {
  let index = cutByTime.get(clip.pared.cut);
  if (!index) cutByTime.set(clip.pared.cut, (index = new TimeIndex(clip.pared.cut, (c) => c)));
  return index.touching(row.startUs, row.endUs);
}

/** What was silenced or left uncaptioned in a line. */
function treatedIn(clip: ClipState, row: LineRow): Removal[] {
  let index = treatedByTime.get(clip.pared.removals);
  if (!index) {
    const treated = clip.pared.removals.filter((r) => r.means !== 'CUT');
    treatedByTime.set(clip.pared.removals, (index = new TimeIndex(treated, (r) => r.span)));
  }
  return index.touching(row.startUs, row.endUs);
}

export const SetLine = memo(function SetLine(p: LineProps) {
  const { row, transcript, clip, flags } = p;
  const spine = useRef<HTMLCanvasElement>(null);
  const cut = useMemo(() => (clip ? cutIn(clip, row) : []), [clip, row]);
  const treated = useMemo(() => (clip ? treatedIn(clip, row) : []), [clip, row]);
  const gaps = useMemo(
    () => (clip ? clip.pared.gaps.filter((g) => g.word >= row.from && g.word < row.to) : []),
    [clip, row],
  );
  const snaps = useMemo(
    () =>
      p.retiming
        ? [...transcript.startUs.slice(row.from, row.to), ...transcript.endUs.slice(row.from, row.to)]
        : NO_TIMES,
    [p.retiming, transcript, row],
  );
  const chosenGap = useWorkbench((s) => s.gap);
  const pausePiece = p.pause >= 0 ? row.pauses.get(p.pause) : undefined;
  const selectedSpan =
    p.selectedTo >= p.selectedFrom
      ? { startUs: transcript.startUs[p.selectedFrom], endUs: transcript.endUs[p.selectedTo] }
      : (pausePiece ?? null);
  const selectedKey = selectedSpan ? `${selectedSpan.startUs}-${selectedSpan.endUs}` : '';
  useEffect(() => {
    if (spine.current) {
      drawSpine(spine.current, p.levels, {
        startUs: row.startUs,
        endUs: row.endUs,
        cut,
        silenced: treated.filter((r) => r.means !== 'CAPTIONS_ONLY').map((r) => r.span),
        selected: selectedSpan,
        height: row.height,
      });
    }
    // The key stands for the selected span.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [row, cut, treated, selectedKey, p.levels]);

  const picked = p.stage === 'pick' && !clip ? p.picks.filter((k) => k.first < row.to && k.last >= row.from) : [];
  const words = [];
  for (let i = row.from; i < row.to; i++) {
    const gone = flags[i] === 1;
    const pause = row.pauses.get(i);
    const selected = i >= p.selectedFrom && i <= p.selectedTo;
    const hiddenNow = gone && !p.showStruck;
    let name = 'word';
    if (gone) name += ' cut';
    const middle = (transcript.startUs[i] + transcript.endUs[i]) / 2;
    const means = gone ? undefined : treated.find((r) => middle >= r.span.startUs && middle < r.span.endUs)?.means;
    const treats = means ? treatment(means) : null;
    if (treats) name += ` ${treats.name}`;
    if (transcript.confidence[i] < 0.6) name += ' doubtful';
    if (selected) name += ' selected';
    if (p.remarked[i]) name += ' remarked';
    if (p.breaks?.[i]) name += p.breaks[i] === 2 ? ' caption-end' : ' line-end';
    if (p.marks[i]) name += i >= p.nowFrom && i < p.nowTo ? ' hit-now' : ' hit';
    if (i === p.correctFrom) {
      words.push(
        <CorrectField key={`c${i}`} first={i} last={p.correctTo} transcript={transcript} corrections={p.corrections} />,
        <span key={`b${i}`}> </span>,
      );
    }
    if (!hiddenNow && !(i <= p.correctTo && (p.correctFrom < 0 || i >= p.correctFrom))) {
      words.push(
        <span key={i} data-w={i} className={name} title={treats?.title}>
          {transcript.text[i]}
        </span>,
      );
      if (isSpaced(transcript.text[i], transcript.text[i + 1] ?? '')) {
        words.push(
          selected && i < p.selectedTo ? (
            <span key={`b${i}`} className="blank selected">
              {' '}
            </span>
          ) : (
            ' '
          ),
        );
      }
    }
    for (const gap of gaps) {
      if (gap.word !== i) continue;
      words.push(
        <span
          key={`g${gap.id}`}
          className={`gap ${chosenGap === gap.id ? 'chosen' : ''}`}
          data-gap={gap.id}
          title="room tone put in: click it to change it"
        >
          +{(gap.lengthUs / 1e6).toFixed(gap.lengthUs % 100_000 ? 2 : 1)}
        </span>,
        <span key={`h${gap.id}`}> </span>,
      );
    }
    if (pause) {
      const removed = clip !== null && isPared(transcript, clip, i);
      if (!removed || p.showStruck) {
        words.push(
          <span
            key={`p${i}`}
            className={`pause ${removed ? 'cut hatched' : ''} ${p.pause === i ? 'chosen' : ''}`}
            style={{ width: 36 }}
            data-pause={i}
            title={removed ? 'a pause, pared' : `a pause: select it and press ${keyName(keyFor('Backspace'))}`}
          >
            {((pause.endUs - pause.startUs) / 1e6).toFixed(1)}
          </span>,
          <span key={`q${i}`}> </span>,
        );
      }
    }
  }
  return (
    <>
      <div className="w-[76px] shrink-0 self-center pr-2 text-right text-[12px] tabular-nums text-faint">
        {transcript.timed ? clock(row.startUs) : ''}
      </div>
      <div className="relative w-[84px] shrink-0 cursor-pointer" data-spine={`${row.startUs}-${row.endUs}`}>
        <canvas ref={spine} className="h-full w-full" aria-hidden="true" />
        {gaps.map((g) => (
          <div
            key={g.id}
            data-gap={g.id}
            className={`absolute inset-x-0 flex h-2 -translate-y-1 items-center ${chosenGap === g.id ? 'text-accent' : 'text-steel'}`}
            style={{
              top: `${Math.min(96, ((transcript.endUs[g.word] - row.startUs) / (row.endUs - row.startUs)) * 100)}%`,
            }}
            title={`${(g.lengthUs / 1e6).toFixed(2)} s of room tone`}
          >
            <span className="h-[3px] flex-1 border-y border-current" />
          </div>
        ))}
      </div>
      <div className="relative w-[28px] shrink-0">
        {picked.map((k) => (
          <div
            key={k.first}
            className={`absolute inset-y-0 left-1 w-2 border-l-2 border-accent ${k.first >= row.from ? 'top-1 rounded-tl border-t-2' : ''} ${k.last < row.to ? 'bottom-1 rounded-bl border-b-2' : ''}`}
          />
        ))}
      </div>
      {p.laneWidth > 0 && (
        <Lane row={p.row} pieces={p.beside} named={p.named} width={p.laneWidth} retiming={p.retiming} snaps={snaps} />
      )}
      <div className="mr-3 w-[3px] shrink-0" style={{ background: `var(--speaker-${Math.max(0, row.speaker) % 4})` }} />
      <div className="set-line">{words}</div>
    </>
  );
}, sameLine);
