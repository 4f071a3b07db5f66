import { memo, useEffect, useEffectEvent, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import type { ClipState, Cue, Pick, Preview, Removal, Span, TranscriptColumns } from '../api/client';
import { current } from '../plate/player';
import { usePlayhead } from '../plate/playhead';
import { clock } from '../ui/time';
import { change } from '../workbench/changes';
import { ordered, useWorkbench, type Stage, type Selection } from '../workbench/store';
import type { Corrections } from '../workbench/corrections';
import { lineHeightOf, useReading } from '../workbench/reading';
import { CorrectField } from './CorrectField';
import { captionPieces, framePieces, Lane, LANE, type LanePiece } from './Lane';
import { Loupe, LOUPE_HEIGHT, type Join } from './Loupe';
import {
  canvasMeasure,
  cutFlags,
  paragraphOf,
  sentenceOf,
  setPieces,
  SHORTEST_PAUSE_US,
  wordAt,
  type Row,
} from './setLines';
import { isPared } from './stops';
import { drawSpine } from './spine';
import { TimeIndex } from './timeIndex';
import { keyFor, keyName } from '../workbench/keyMap';

interface Props {
  transcript: TranscriptColumns;
  levels: Uint8Array;
  clip: ClipState | null;
  preview: Preview | null;
  /** The captions, while they are lettered. */
  cues: Cue[] | null;
  stage: Stage;
  picks: Pick[];
  names: string[];
  people: string[];
  corrections: Corrections;
  frameUs: number;
}

const MARGIN = 208;

/** The transcript set as a page, with the spine in its margin. */
export const Galley = memo(function Galley({
  transcript,
  levels,
  clip,
  preview,
  cues,
  stage,
  picks,
  names,
  people,
  corrections,
  frameUs,
}: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const [fontsReady, setFontsReady] = useState(false);
  const selection = useWorkbench((s) => s.selection);
  const striking = useWorkbench((s) => s.striking);
  const showStruck = useWorkbench((s) => s.showStruck);
  const hits = useWorkbench((s) => s.hits);
  const hit = useWorkbench((s) => s.hit);

  const textSize = useReading((s) => s.textSize);
  const font = `${textSize}px "Source Serif 4"`;
  const correcting = useWorkbench((s) => s.correcting);
  const pause = useWorkbench((s) => s.pause);

  useEffect(() => {
    void document.fonts.load(font).then(() => setFontsReady(true));
  }, [font]);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry.contentRect.width)));
    observer.observe(scroller.current!);
    return () => observer.disconnect();
  }, []);

  const lane = clip !== null && (stage === 'frame' || stage === 'letter');
  const margin = lane ? MARGIN + LANE : MARGIN;
  const shape = clip ? JSON.stringify(clip.pared.pieces) : '';
  const pieces = useMemo(
    () => (shape ? (JSON.parse(shape) as { from: number; to: number }[]) : [{ from: 0, to: transcript.text.length }]),
    [shape, transcript],
  );
  const gapWords = clip ? clip.pared.gaps.map((g) => g.word).join() : '';
  const column = Math.min(textSize * 30.5, Math.max(160, width - margin - 36));
  const lines = useMemo(
    () =>
      fontsReady && width
        ? setPieces(
            transcript,
            pieces,
            column,
            lineHeightOf(textSize),
            canvasMeasure(font),
            new Set(gapWords ? gapWords.split(',').map(Number) : []),
          )
        : [],
    [transcript, pieces, column, fontsReady, width, textSize, font, gapWords],
  );
  const loupe = useWorkbench((s) => s.loupe);
  const looked = stage === 'pare' ? clip?.pared.removals.find((r) => r.id === loupe) : undefined;
  const seam = useWorkbench((s) => s.seam);
  const join = useMemo(() => joinOf(looked, stage === 'pare' ? clip : null, seam), [looked, stage, clip, seam]);
  const rows = useMemo(() => (join ? withLoupe(lines, join) : lines), [lines, join]);
  const cut = clip?.pared.cut;
  const cutNow = useMemo(
    () => (cut ? cutFlags(transcript, cut) : new Uint8Array(transcript.text.length)),
    [transcript, cut],
  );
  const flags = useMemo(() => withStruck(cutNow, striking), [cutNow, striking]);
  const rowOf = useMemo(() => {
    const index = new Int32Array(transcript.text.length).fill(-1);
    rows.forEach((row, r) => {
      if (row.kind === 'line') index.fill(r, row.from, row.to);
    });
    return index;
  }, [rows, transcript]);

  // It hands out functions whose answers change, so nothing of them is kept between renders.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => rows[i].height,
    overscan: 6,
    paddingStart: 14,
    paddingEnd: 120,
  });
  useEffect(() => virtual.measure(), [rows, virtual]);

  const following = useRef(true);
  const [wandered, setWandered] = useState(false);
  const spoken = useRef(-1);
  const playing = useWorkbench((s) => s.playing);
  useSpokenWord(scroller, transcript, (word) => {
    spoken.current = word;
    if (!following.current || !useReading.getState().follow || !useWorkbench.getState().playing) return;
    const row = rowOf[word] ?? -1;
    if (row >= 0) keepInView(scroller.current!, virtual, row);
  });
  const wander = () => {
    if (!useWorkbench.getState().playing || !useReading.getState().follow) return;
    following.current = false;
    setWandered(true);
  };
  const comeBack = () => {
    following.current = true;
    setWandered(false);
    const row = rowOf[spoken.current] ?? -1;
    if (row >= 0) keepInView(scroller.current!, virtual, row);
  };
  useEffect(() => {
    if (!playing) {
      following.current = true;
      setWandered(false);
    }
  }, [playing]);
  useEffect(() => {
    const target = hits[hit];
    if (target && (rowOf[target.from] ?? -1) >= 0) virtual.scrollToIndex(rowOf[target.from], { align: 'center' });
  }, [hits, hit, rowOf, virtual]);
  const focus = selection?.focus ?? pause ?? undefined;
  useEffect(() => {
    if (focus !== undefined && (rowOf[focus] ?? -1) >= 0) virtual.scrollToIndex(rowOf[focus], { align: 'auto' });
  }, [focus, rowOf, virtual]);

  usePointerSelection(scroller, transcript);

  const [selectedFrom, selectedTo] = selection ? ordered(selection) : [-1, -2];
  const marks = useMemo(() => hitMarks(hits, transcript.text.length), [hits, transcript]);
  const nowHit = hits[hit] ?? null;
  const breaks = useMemo(() => (cues ? captionBreaks(cues, transcript.ids) : null), [cues, transcript]);
  const beside = useMemo(() => {
    if (!lane || !clip) return null;
    if (stage === 'letter') return cues && captionPieces(clip, cues);
    return preview && framePieces(clip, preview, people);
  }, [lane, stage, clip, preview, cues, people]);
  const [correctFrom, correctTo] = correcting ? ordered(correcting) : [-1, -2];
  return (
    <div className="relative h-full">
      {wandered && (
        <button className="button absolute bottom-4 left-1/2 z-10 -translate-x-1/2 shadow-lg" onClick={comeBack}>
          Back to what plays
        </button>
      )}
      <div
        ref={scroller}
        onWheel={wander}
        onTouchMove={wander}
        className="relative h-full overflow-y-auto overscroll-contain reading-page"
        data-testid="galley"
        tabIndex={0}
        aria-label="Transcript"
        role="document"
      >
        <div
          className="relative"
          style={
            {
              height: virtual.getTotalSize(),
              '--text-size': `${textSize}px`,
              '--line-height': `${lineHeightOf(textSize)}px`,
            } as React.CSSProperties
          }
        >
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index];
            if (!row) return null;
            return (
              <div
                key={item.key}
                className="absolute inset-x-0 flex"
                style={{ transform: `translateY(${item.start}px)`, height: row.height }}
              >
                {row.kind === 'loupe' ? (
                  join && <Loupe key={join.key} join={join} transcript={transcript} levels={levels} frameUs={frameUs} />
                ) : row.kind === 'seam' ? (
                  <div
                    className="flex flex-1 items-center gap-3 text-[12px] text-faint"
                    style={{ marginLeft: margin }}
                    data-testid="seam"
                  >
                    <span className="w-24 border-t border-dashed border-rule" />
                    from {clock(row.startUs)}
                    {stage === 'pare' && (
                      <>
                        <button
                          className="link"
                          onClick={() => useWorkbench.setState({ seam: row.place, loupe: null })}
                        >
                          loupe
                        </button>
                        <button className="link" onClick={() => void change({ type: 'dropStretch', place: row.place })}>
                          drop
                        </button>
                      </>
                    )}
                  </div>
                ) : row.kind === 'speaker' ? (
                  <SpeakerName
                    margin={margin}
                    speaker={row.speaker}
                    name={names[row.speaker] ?? 'Somebody'}
                    corrections={corrections}
                  />
                ) : (
                  <SetLine
                    row={row}
                    transcript={transcript}
                    levels={levels}
                    clip={clip}
                    beside={beside}
                    stage={stage}
                    lane={lane}
                    flags={flags}
                    showStruck={showStruck}
                    {...within(row, 'selected', selectedFrom, selectedTo)}
                    marks={marks}
                    nowFrom={nowHit?.from ?? -1}
                    nowTo={nowHit?.to ?? -1}
                    picks={picks}
                    breaks={breaks}
                    correctFrom={correctFrom >= row.from && correctFrom < row.to ? correctFrom : -1}
                    correctTo={correctFrom < row.to && correctTo >= row.from ? correctTo : -1}
                    corrections={corrections}
                    pause={pause !== null && pause >= row.from && pause < row.to ? pause : -1}
                  />
                )}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
});

/** The name over a turn; a click lets it be changed, for all that this speaker says. */
function SpeakerName({
  margin,
  speaker,
  name,
  corrections,
}: {
  margin: number;
  speaker: number;
  name: string;
  corrections: Corrections;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const style = { marginLeft: margin, color: `var(--speaker-${Math.max(0, speaker) % 4})` };
  if (typed === null) {
    return (
      <button
        className="self-end pb-0.5 text-[12px] font-semibold"
        style={style}
        title="Name this speaker"
        onClick={() => setTyped(speaker < 0 ? '' : name)}
      >
        {name}
      </button>
    );
  }
  const keep = () => {
    if (typed.trim() && typed.trim() !== name) void corrections.correct({ type: 'nameSpeaker', speaker, name: typed });
    setTyped(null);
  };
  return (
    <input
      className="self-end rounded border border-accent bg-paper px-1 text-[12px] font-semibold outline-none"
      style={style}
      autoFocus
      aria-label="Name of this speaker"
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') keep();
        if (e.key === 'Escape') setTyped(null);
      }}
    />
  );
}

/** The join to look at close up: that of a removal, or the seam before a stretch. */
function joinOf(removal: Removal | undefined, clip: ClipState | null, seam: number | null): Join | null {
  if (removal)
    return {
      key: `r${removal.id}`,
      removal: removal.id,
      place: null,
      outUs: removal.span.startUs,
      inUs: removal.span.endUs,
    };
  const stretch = clip && seam !== null ? clip.pared.stretches[seam] : undefined;
  if (!clip || !stretch || !seam) return null;
  return {
    key: `s${seam}`,
    removal: null,
    place: seam,
    outUs: clip.pared.stretches[seam - 1].endUs,
    inUs: stretch.startUs,
  };
}

/** The rows with the loupe under the line in which a removal begins, or under its seam. */
function withLoupe(lines: Row[], join: Join): Row[] {
  let at = lines.findIndex((r) =>
    join.place === null
      ? r.kind === 'line' && r.startUs <= join.outUs && r.endUs > join.outUs
      : r.kind === 'seam' && r.place === join.place,
  );
  if (at < 0) at = lines.length - 1;
  return [...lines.slice(0, at + 1), { kind: 'loupe', height: LOUPE_HEIGHT }, ...lines.slice(at + 1)];
}

function keepInView(
  element: HTMLElement,
  virtual: ReturnType<typeof useVirtualizer<HTMLDivElement, Element>>,
  row: number,
) {
  const place = virtual.getOffsetForIndex(row, 'start')?.[0] ?? 0;
  const top = element.scrollTop;
  if (place < top + 40 || place > top + element.clientHeight * 0.7) {
    virtual.scrollToIndex(row, { align: 'start' });
    element.scrollTop = Math.max(0, place - element.clientHeight * 0.25);
  }
}

/** The part of a range of words that lies in a line; the same for all lines that it does not touch, so that these stay as they are. */
function within<N extends string>(row: { from: number; to: number }, name: N, from: number, to: number) {
  const touches = from < row.to && to >= row.from;
  return {
    [`${name}From`]: touches ? Math.max(from, row.from) : -1,
    [`${name}To`]: touches ? Math.min(to, row.to - 1) : -2,
  } as Record<`${N}From` | `${N}To`, number>;
}

/** Words struck of which the server has not answered yet are gone as well. */
function withStruck(cut: Uint8Array, striking: Selection[]): Uint8Array {
  if (!striking.length) return cut;
  const flags = cut.slice();
  for (const strike of striking) {
    const [first, last] = ordered(strike);
    flags.fill(1, first, last + 1);
  }
  return flags;
}

function hitMarks(hits: { from: number; to: number }[], words: number): Uint8Array {
  const marks = new Uint8Array(words);
  hits.forEach((h) => marks.fill(1, h.from, h.to));
  return marks;
}

/** Marks the word being said without rendering anything anew. */
function useSpokenWord(
  scroller: React.RefObject<HTMLDivElement | null>,
  transcript: TranscriptColumns,
  changed: (word: number) => void,
) {
  const report = useEffectEvent(changed);
  useEffect(() => {
    let last = -1;
    const show = (us: number) => {
      const word = wordAt(transcript.startUs, us);
      const root = scroller.current;
      if (!root) return;
      const element = root.querySelector(`[data-w="${word}"]`);
      const before = root.querySelector('.word.spoken');
      if (before !== element) {
        before?.classList.remove('spoken');
        element?.classList.add('spoken');
      }
      if (word !== last) {
        last = word;
        report(word);
      }
    };
    show(usePlayhead.getState().episodeUs);
    return usePlayhead.subscribe((s) => show(s.episodeUs));
  }, [scroller, transcript]);
}

/** A click goes to a word; a drag selects from word to word. */
function usePointerSelection(scroller: React.RefObject<HTMLDivElement | null>, transcript: TranscriptColumns) {
  useEffect(() => {
    const root = scroller.current!;
    let anchor = -1;
    let dragged = false;
    let carried = false;
    let target = -1;
    const showTarget = (word: number) => {
      root.querySelector('.drop-before')?.classList.remove('drop-before');
      if (word >= 0) root.querySelector(`[data-w="${word}"]`)?.classList.add('drop-before');
      target = word;
    };
    const wordUnder = (e: PointerEvent): number => {
      const under = document.elementFromPoint(e.clientX, e.clientY);
      const element = under?.closest<HTMLElement>('[data-w]');
      if (element) return Number(element.dataset.w);
      const us = spineTime(under, e.clientY);
      return us === null ? -1 : wordAt(transcript.startUs, us);
    };
    /** The time a place on the spine stands for; null beside it. */
    const spineTime = (under: Element | null, y: number): number | null => {
      const spine = under?.closest<HTMLElement>('[data-spine]');
      if (!spine) return null;
      const box = spine.getBoundingClientRect();
      const [startUs, endUs] = spine.dataset.spine!.split('-').map(Number);
      return startUs + ((y - box.top) / box.height) * (endUs - startUs);
    };
    const down = (e: PointerEvent) => {
      const inserted = (e.target as HTMLElement).closest('[data-gap]') as HTMLElement | null;
      if (inserted && e.button === 0) {
        useWorkbench.setState({ gap: Number(inserted.dataset.gap), pause: null, selection: null });
        return;
      }
      const paused = (e.target as HTMLElement).closest('[data-pause]') as HTMLElement | null;
      if (paused && e.button === 0) {
        useWorkbench.setState({ pause: Number(paused.dataset.pause), gap: null, selection: null });
        current.seekEpisode(transcript.endUs[Number(paused.dataset.pause)]);
        return;
      }
      const word = wordUnder(e);
      if (word < 0 || e.button !== 0) return;
      const us = spineTime(e.target as Element, e.clientY);
      const gap = word + 1 < transcript.startUs.length ? transcript.startUs[word + 1] - transcript.endUs[word] : 0;
      if (us !== null && us > transcript.endUs[word] && gap >= SHORTEST_PAUSE_US) {
        useWorkbench.setState({ pause: word, gap: null, selection: null });
        current.seekEpisode(transcript.endUs[word]);
        return;
      }
      const chosen = useWorkbench.getState().selection;
      if (e.shiftKey && chosen) {
        useWorkbench.getState().select(chosen.anchor, word);
        return;
      }
      anchor = word;
      dragged = false;
      const held = chosen && ordered(chosen);
      carried =
        !!held && held[1] > held[0] && word >= held[0] && word <= held[1] && useWorkbench.getState().clip !== null;
    };
    const move = (e: PointerEvent) => {
      if (anchor < 0 || !(e.buttons & 1)) return;
      const word = wordUnder(e);
      if (carried) {
        const [first, last] = ordered(useWorkbench.getState().selection!);
        dragged = true;
        showTarget(word >= 0 && (word < first || word > last) ? word : -1);
        return;
      }
      if (word >= 0 && (dragged || word !== anchor)) {
        dragged = true;
        useWorkbench.getState().select(anchor, word);
      }
    };
    const up = () => {
      if (carried && dragged) {
        const [first, last] = ordered(useWorkbench.getState().selection!);
        if (target >= 0) void change({ type: 'moveWords', first, last, before: target });
        showTarget(-1);
        anchor = -1;
        carried = false;
        return;
      }
      carried = false;
      if (anchor >= 0 && !dragged) {
        useWorkbench.getState().select(anchor, anchor);
        current.seekEpisode(transcript.startUs[anchor]);
      }
      anchor = -1;
    };
    /** The second click takes the sentence, the third the paragraph. */
    const more = (e: MouseEvent) => {
      const word = Number((e.target as HTMLElement).closest<HTMLElement>('[data-w]')?.dataset.w ?? -1);
      if (word < 0 || e.detail < 2 || e.shiftKey) return;
      useWorkbench
        .getState()
        .select(...(e.detail === 2 ? sentenceOf(transcript, word) : paragraphOf(transcript, word)));
    };
    root.addEventListener('click', more);
    root.addEventListener('pointerdown', down);
    root.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    return () => {
      root.removeEventListener('click', more);
      root.removeEventListener('pointerdown', down);
      root.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
    };
  }, [scroller, transcript]);
}

type LineRow = Extract<Row, { kind: 'line' }>;

interface LineProps {
  row: LineRow;
  transcript: TranscriptColumns;
  levels: Uint8Array;
  clip: ClipState | null;
  /** What stands beside the words in the stages after paring. */
  beside: LanePiece[] | null;
  stage: Stage;
  lane: boolean;
  flags: Uint8Array;
  showStruck: boolean;
  selectedFrom: number;
  selectedTo: number;
  marks: Uint8Array;
  nowFrom: number;
  nowTo: number;
  picks: Pick[];
  breaks: Uint8Array | null;
  /** Words under the text field, where they touch this line; -1 for none. */
  correctFrom: number;
  correctTo: number;
  corrections: Corrections;
  /** The selected pause, by the word before it; -1 for none in this line. */
  pause: number;
}

const TREATED: Record<string, string> = { ROOM_TONE: 'toned', MUTE: 'muted', CAPTIONS_ONLY: 'uncaptioned' };
const TREATED_TITLE: Record<string, string> = {
  ROOM_TONE: 'room tone instead: not heard, not captioned',
  MUTE: 'muted: not heard, but captioned',
  CAPTIONS_ONLY: 'heard, but out of the captions',
};

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

const SetLine = memo(function SetLine(p: LineProps) {
  const { row, transcript, clip, flags } = p;
  const spine = useRef<HTMLCanvasElement>(null);
  const cut = useMemo(() => (clip ? cutIn(clip, row) : []), [clip, row]);
  const treated = useMemo(() => (clip ? treatedIn(clip, row) : []), [clip, row]);
  const gaps = useMemo(
    () => (clip ? clip.pared.gaps.filter((g) => g.word >= row.from && g.word < row.to) : []),
    [clip, row],
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
    if (means) name += ` ${TREATED[means]}`;
    if (transcript.confidence[i] < 0.6) name += ' doubtful';
    if (selected) name += ' selected';
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
        <span key={i} data-w={i} className={name} title={means && TREATED_TITLE[means]}>
          {transcript.text[i]}
        </span>,
      );
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
      {p.lane && <Lane row={p.row} pieces={p.beside} named={p.stage === 'frame'} />}
      <div className="mr-3 w-[3px] shrink-0" style={{ background: `var(--speaker-${Math.max(0, row.speaker) % 4})` }} />
      <div className="set-line">{words}</div>
    </>
  );
}, sameLine);

/** Where the captions break: 1 at the end of a line, 2 at the end of a caption, by word. */
function captionBreaks(cues: Cue[], ids: number[]): Uint8Array {
  const breaks = new Uint8Array(ids.length);
  const place = new Map(ids.map((id, i) => [id, i]));
  for (const cue of cues) {
    for (const line of cue.lines) breaks[place.get(line[line.length - 1].wordId) ?? -1] = 1;
    const last = cue.lines[cue.lines.length - 1];
    breaks[place.get(last[last.length - 1].wordId) ?? -1] = 2;
  }
  return breaks;
}

/** Puts the selected words back. */
export const putBackSelected = () => {
  const selection = useWorkbench.getState().selection;
  if (!selection) return;
  const [first, last] = ordered(selection);
  void change({ type: 'putBackWords', first, last });
};
