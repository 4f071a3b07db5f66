import { useState } from 'react';
import type { Brief, ClipState, Pick, TranscriptColumns } from '../api/client';
import { BriefPanel } from './BriefPanel';
import { ChapterList } from './ChapterList';
import { MarkList } from './MarkList';
import { PieceList } from './PieceList';
import { ProposalList } from './ProposalList';
import { useMarks } from './marks';

interface Props {
  episodeId: number;
  transcript: TranscriptColumns;
  brief: Brief;
  onBrief: (brief: Brief) => void;
  picks: Pick[] | null;
  error: Error | null;
  clips: ClipState[];
  onKeep: (first: number, last: number, title: string) => Promise<void>;
}

const TABS = ['Proposed', 'Marked', 'Pieces', 'Chapters'] as const;

/** What there is to pick from: proposals by the brief, the producer's own marks, and the chapters. */
export function PickSide(props: Props) {
  const [tab, setTab] = useState<(typeof TABS)[number]>('Proposed');
  const marks = useMarks(props.episodeId);
  const marked = marks.filter((m) => m.state === 'MARKED');
  const count = { Proposed: props.picks?.length, Marked: marked.length || undefined, Pieces: undefined, Chapters: undefined };
  return (
    <section className="mt-4 border-t border-rule pt-2">
      <div className="flex gap-4" role="tablist">
        {TABS.map((t) => (
          <button
            key={t}
            role="tab"
            aria-selected={t === tab}
            className={`border-b-2 pb-1 ${t === tab ? 'border-accent font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            onClick={() => setTab(t)}
          >
            {t} <span className="text-[12px] text-faint">{count[t]}</span>
          </button>
        ))}
      </div>
      {tab === 'Proposed' && (
        <>
          <BriefPanel episodeId={props.episodeId} brief={props.brief} onBrief={props.onBrief} />
          {props.error && <p className="mt-3 text-accent">{props.error.message}</p>}
          <ProposalList {...props} marks={marks} />
        </>
      )}
      {tab === 'Marked' && <MarkList episodeId={props.episodeId} transcript={props.transcript} marks={marked} onKeep={props.onKeep} />}
      {tab === 'Pieces' && <PieceList episodeId={props.episodeId} transcript={props.transcript} onKeep={props.onKeep} />}
      {tab === 'Chapters' && <ChapterList episodeId={props.episodeId} />}
    </section>
  );
}
