import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { ClipState, Cue, Pick, TranscriptColumns } from '../api/client';
import { Loupe } from '../pare/Loupe';
import type { Corrections } from '../workbench/corrections';
import { lineHeightOf, useReading } from '../workbench/reading';
import { ordered, useWorkbench, type Stage } from '../workbench/store';
import type { LanePiece, Retiming } from './Lane';
import { captionBreaks, hitMarks, within, wordMarks, withStruck } from './lineMarks';
import { joinOf, withLoupe } from './loupeRow';
import { SeamRow } from './SeamRow';
import { SetLine } from './SetLine';
import { cutFlags } from './setLines';
import { SpeakerName } from './SpeakerName';
import { useFollowing } from './useFollowing';
import { usePage } from './usePage';
import { usePointerSelection } from './usePointerSelection';
import { useVirtualPage } from './useVirtualPage';

interface Props {
  transcript: TranscriptColumns;
  levels: Uint8Array;
  clip: ClipState | null;
  /** What stands beside the words in the stages that have a lane; null without a lane. */
  lane: { pieces: LanePiece[] | null; named: boolean; width: number; retiming: Retiming | null } | null;
  /** The captions, while they are lettered. */
  cues: Cue[] | null;
  stage: Stage;
  picks: Pick[];
  names: string[];
  corrections: Corrections;
  frameUs: number;
  /** Words with remarks that are open. */
  remarked: number[];
}

const MARGIN = 208;
const RIGHT_MARGIN = 36;

/** The transcript set as a page, with the spine in its margin. */
export const Galley = memo(function Galley({
  transcript,
  levels,
  clip,
  lane,
  cues,
  stage,
  picks,
  names,
  corrections,
  frameUs,
  remarked,
}: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const selection = useWorkbench((s) => s.selection);
  const striking = useWorkbench((s) => s.striking);
  const showStruck = useWorkbench((s) => s.showStruck);
  const hits = useWorkbench((s) => s.hits);
  const hit = useWorkbench((s) => s.hit);
  const textSize = useReading((s) => s.textSize);
  const correcting = useWorkbench((s) => s.correcting);
  const pause = useWorkbench((s) => s.pause);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry.contentRect.width)));
    observer.observe(scroller.current!);
    return () => observer.disconnect();
  }, []);

  const margin = MARGIN + (lane?.width ?? 0);
  const lines = usePage(transcript, clip, width - margin - RIGHT_MARGIN);
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
  const { virtual, rowOf } = useVirtualPage(scroller, rows, transcript.text.length);
  const { wandered, wander, comeBack } = useFollowing(scroller, virtual, rowOf, transcript);
  usePointerSelection(scroller, transcript);

  const [selectedFrom, selectedTo] = selection ? ordered(selection) : [-1, -2];
  const marks = useMemo(() => hitMarks(hits, transcript.text.length), [hits, transcript]);
  const remarks = useMemo(() => wordMarks(remarked, transcript.text.length), [remarked, transcript]);
  const nowHit = hits[hit] ?? null;
  const breaks = useMemo(() => (cues ? captionBreaks(cues, transcript.ids) : null), [cues, transcript]);
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
                  <SeamRow margin={margin} startUs={row.startUs} place={row.place} paring={stage === 'pare'} />
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
                    beside={lane?.pieces ?? null}
                    stage={stage}
                    laneWidth={lane?.width ?? 0}
                    retiming={lane?.retiming ?? null}
                    named={lane?.named ?? false}
                    flags={flags}
                    showStruck={showStruck}
                    {...within(row, 'selected', selectedFrom, selectedTo)}
                    marks={marks}
                    nowFrom={nowHit?.from ?? -1}
                    nowTo={nowHit?.to ?? -1}
                    picks={picks}
                    breaks={breaks}
                    remarked={remarks}
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
