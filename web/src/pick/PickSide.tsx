import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Brief, type ClipState, type Pick, type Spec, type TranscriptColumns } from '../api/client';
import { useGathered } from './gathered';
import { BriefPanel } from './BriefPanel';
import { ChapterList } from './ChapterList';
import { GatheredList } from './GatheredList';
import { HighlightList } from './HighlightList';
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
  specs: Spec[];
  onKeep: (first: number, last: number, title: string) => Promise<void>;
}

const TABS = ['Proposed', 'Marked', 'Gathered', 'Pieces', 'Chapters'] as const;

/** What there is to pick from: proposals by the brief, the producer's own marks, and the chapters. */
export function PickSide(props: Props) {
  const [tab, setTab] = useState<(typeof TABS)[number]>('Proposed');
  const marks = useMarks(props.episodeId);
  const marked = marks.filter((m) => m.state === 'MARKED');
  const gathered = useGathered((s) => s.pieces.length);
  const limits = useQuery({
    queryKey: ['pick-limits', props.episodeId, props.transcript.revision],
    queryFn: () => api.pickLimits(props.episodeId),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  const count = {
    Proposed: undefined,
    Marked: marked.length || undefined,
    Gathered: gathered || undefined,
    Pieces: undefined,
    Chapters: undefined,
  };
  return (
    <section className="mt-4 border-t border-rule pt-2">
      <div className="flex justify-between text-[12.5px] whitespace-nowrap" role="tablist">
        {TABS.map((t) => (
          <button
            key={t}
            role="tab"
            aria-selected={t === tab}
            className={`border-b-2 pb-1 ${t === tab ? 'border-accent font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            onClick={() => setTab(t)}
          >
            {t}
            {count[t] && <span className="text-[11px] text-faint"> {count[t]}</span>}
          </button>
        ))}
      </div>
      {tab === 'Proposed' && (
        <>
          <BriefPanel specs={props.specs} episodeId={props.episodeId} brief={props.brief} onBrief={props.onBrief} />
          {props.error && <p className="mt-3 text-accent">{props.error.message}</p>}
          {limits.data?.map((l) => (
            <p key={l} className="mt-2 text-[12.5px] text-soft" data-testid="limit">
              {l}
            </p>
          ))}
          {props.brief.share === null ? (
            <ProposalList {...props} marks={marks} />
          ) : (
            <HighlightList episodeId={props.episodeId} transcript={props.transcript} brief={props.brief} />
          )}
        </>
      )}
      {tab === 'Marked' && (
        <MarkList episodeId={props.episodeId} transcript={props.transcript} marks={marked} onKeep={props.onKeep} />
      )}
      {tab === 'Gathered' && <GatheredList episodeId={props.episodeId} />}
      {tab === 'Pieces' && (
        <PieceList episodeId={props.episodeId} transcript={props.transcript} onKeep={props.onKeep} />
      )}
      {tab === 'Chapters' && <ChapterList episodeId={props.episodeId} />}
    </section>
  );
}
