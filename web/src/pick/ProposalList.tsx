import { useEffect, useRef, useState } from 'react';
import { ChevronLeft, ChevronRight, Play } from 'lucide-react';
import { api, type ClipState, type Mark, type Pick, type TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock } from '../ui/time';
import { meantKey } from '../keyboard/keyMap';
import { useWorkbench } from '../workbench/store';
import { useFreshMarks } from './marks';
import { joined } from '../ui/spacing';

interface Props {
  episodeId: number;
  transcript: TranscriptColumns;
  picks: Pick[] | null;
  clips: ClipState[];
  marks: Mark[];
  onKeep: (first: number, last: number, title: string) => Promise<void>;
}

/** The contents page of proposals: walked with two keys, heard, trimmed by sentence, kept or passed. */
export function ProposalList({ episodeId, transcript, picks, clips, marks, onKeep }: Props) {
  const playback = usePlayback();
  const fresh = useFreshMarks(episodeId);
  const [at, setAt] = useState(0);
  const [merged, setMerged] = useState<number[]>([]);
  const [trimmed, setTrimmed] = useState<Record<number, [number, number]>>({});
  const list = useRef<HTMLOListElement>(null);
  const passedMarks = marks.filter((m) => m.state === 'PASSED');
  const isPassed = (p: Pick) =>
    passedMarks.some(
      (m) =>
        Math.min(m.endUs, p.span.endUs) - Math.max(m.startUs, p.span.startUs) > (p.span.endUs - p.span.startUs) / 2,
    );
  const shown = picks?.filter((p) => !isPassed(p) && !merged.includes(p.first)) ?? [];
  const kept = (p: Pick) => clips.some((c) => Math.abs(c.pared.stretches[0].startUs - p.span.startUs) < 1_000_000);
  const range = (p: Pick): [number, number] => trimmed[p.first] ?? [p.first, p.last];
  const ends = transcript.sentenceEnds;
  const sentenceOf = (word: number) => ends.findIndex((end) => end > word);
  const trim = (p: Pick, start: number, end: number) => {
    const [first, last] = range(p);
    const s = sentenceOf(first) + start;
    const e = sentenceOf(last) + end;
    if (s < 0 || e >= ends.length || s > e) return;
    const next: [number, number] = [s === 0 ? 0 : ends[s - 1], ends[e] - 1];
    setTrimmed({ ...trimmed, [p.first]: next });
    useWorkbench.getState().select(...next);
  };
  /** Moves an end by words. */
  const trimWords = (p: Pick, start: number, end: number) => {
    const [first, last] = range(p);
    const next: [number, number] = [Math.max(0, first + start), Math.min(transcript.text.length - 1, last + end)];
    if (next[0] > next[1]) return;
    setTrimmed({ ...trimmed, [p.first]: next });
    useWorkbench.getState().select(...next);
  };
  const nudge = (p: Pick, start: number, end: number) => (e: React.MouseEvent) =>
    e.shiftKey ? trimWords(p, start, end) : trim(p, start, end);
  const merge = (p: Pick, next: Pick) => {
    const [first] = range(p);
    const [, last] = range(next);
    setTrimmed({ ...trimmed, [p.first]: [first, last] });
    setMerged([...merged, next.first]);
    useWorkbench.getState().select(first, last);
  };
  const noteOf = (p: Pick) =>
    marks.find(
      (m) =>
        m.state === 'NOTED' &&
        Math.min(m.endUs, p.span.endUs) - Math.max(m.startUs, p.span.startUs) > (p.span.endUs - p.span.startUs) / 2,
    );
  const note = async (p: Pick, text: string) => {
    const old = noteOf(p);
    if (old && text !== old.note)
      await (text ? api.changeMark(episodeId, { ...old, note: text }) : api.removeMarks(episodeId, [old.id]));
    else if (!old && text)
      await api.addMark(episodeId, {
        startUs: p.span.startUs,
        endUs: p.span.endUs,
        state: 'NOTED',
        title: p.opening,
        note: text,
      });
    await fresh();
  };
  const hear = (p: Pick) => {
    const [first, last] = range(p);
    useWorkbench.getState().select(first, last);
    playback.seekEpisode(transcript.startUs[first]);
    useWorkbench.setState({ playing: true });
    playback.play();
  };
  const pass = async (p: Pick) => {
    await api.addMark(episodeId, {
      startUs: p.span.startUs,
      endUs: p.span.endUs,
      state: 'PASSED',
      title: p.opening,
      note: noteOf(p)?.note ?? '',
    });
    await fresh();
  };
  const keep = (p: Pick) => onKeep(...range(p), '');
  useEffect(() => {
    const down = (e: KeyboardEvent) => {
      if ((e.target as HTMLElement).closest('input, textarea, select') || e.ctrlKey || e.metaKey) return;
      const p = shown[at];
      const key = meantKey(e);
      if (key === 'ArrowDown' || key === 'ArrowUp') {
        const next = Math.max(0, Math.min(shown.length - 1, at + (key === 'ArrowDown' ? 1 : -1)));
        setAt(next);
        if (shown[next]) hear(shown[next]);
        list.current?.children[next]?.scrollIntoView({ block: 'nearest' });
      } else if (key === 'Enter' && p && !(e.target as HTMLElement).closest('button, a')) void keep(p);
      else if (key === 'x' && p) void pass(p);
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  });
  if (!picks) return <p className="mt-4 text-soft">Reading the episode</p>;
  if (!picks.length)
    return <p className="mt-4 text-soft">No run of whole sentences has this length after paring. Try a wider one.</p>;
  const open = shown.filter((p) => !kept(p));
  return (
    <>
      <div className="mt-2 flex items-center justify-between text-[12px] text-faint">
        <span>↑ ↓ walk, Enter keeps, X passes</span>
        {open.length > 1 && (
          <button
            className="link"
            onClick={async () => {
              for (const p of open) await keep(p);
            }}
          >
            keep all {open.length}
          </button>
        )}
      </div>
      <ol ref={list}>
        {shown.map((p, i) => {
          const [first, last] = range(p);
          return (
            <li
              key={p.first}
              className={`border-b border-l-2 border-b-rule py-2.5 pl-2 ${i === at ? 'border-l-accent' : 'border-l-transparent'}`}
              data-testid="pick"
              onClick={() => setAt(i)}
            >
              <div className="flex items-baseline gap-2">
                <span className="font-serif text-[15px] text-accent">{i + 1}</span>
                <span className="flex-1 font-serif text-[15px] leading-snug">
                  {trimmed[p.first] ? opening(transcript, first) : p.opening}
                </span>
              </div>
              <div className="mt-1 flex items-center gap-3 pl-5 text-[12px] text-soft tabular-nums">
                <button className="flex items-center gap-1 hover:text-ink" onClick={() => hear(p)}>
                  <Play size={12} /> {clock(transcript.startUs[first])}
                </button>
                {trimmed[p.first] ? (
                  <span>{Math.round((transcript.endUs[last] - transcript.startUs[first]) / 1e6)} s before paring</span>
                ) : (
                  <span>{Math.round(p.paredUs / 1e6)} s after paring</span>
                )}
                <span title="higher is better, within this episode">score {p.score.toFixed(1)}</span>
              </div>
              <ul className="mt-1 pl-5 text-[12.5px] leading-[1.45] text-soft">
                {p.reasons.slice(0, 4).map((r) => (
                  <li key={r}>{r}</li>
                ))}
              </ul>
              <div className="mt-1.5 flex items-center gap-2 pl-5">
                {kept(p) ? (
                  <span className="text-[12.5px] font-medium text-steel">kept as a clip</span>
                ) : (
                  <>
                    <button className="button" onClick={() => void keep(p)}>
                      Keep
                    </button>
                    <button className="button text-soft" onClick={() => void pass(p)}>
                      Pass
                    </button>
                    {i + 1 < shown.length && (
                      <button
                        className="link ml-auto text-[12.5px]"
                        title="One pick from the start of this one to the end of the next"
                        onClick={() => merge(p, shown[i + 1])}
                      >
                        join with {i + 2}
                      </button>
                    )}
                  </>
                )}
              </div>
              {i === at && !kept(p) && (
                <div
                  className="mt-1.5 flex items-center gap-3 pl-5 text-[12px] text-soft"
                  title="By a sentence; with Shift by a word"
                >
                  <span className="flex items-center gap-0.5">
                    start
                    <Nudge label="Start earlier" icon={<ChevronLeft size={14} />} onClick={nudge(p, -1, 0)} />
                    <Nudge label="Start later" icon={<ChevronRight size={14} />} onClick={nudge(p, 1, 0)} />
                  </span>
                  <span className="flex items-center gap-0.5">
                    end
                    <Nudge label="End earlier" icon={<ChevronLeft size={14} />} onClick={nudge(p, 0, -1)} />
                    <Nudge label="End later" icon={<ChevronRight size={14} />} onClick={nudge(p, 0, 1)} />
                  </span>
                  <span className="text-faint">Shift: by a word</span>
                </div>
              )}
              {(i === at || noteOf(p)) && (
                <input
                  key={noteOf(p)?.id ?? 'new'}
                  className="field mt-1.5 ml-5 w-[calc(100%-1.25rem)] text-[12.5px]"
                  defaultValue={noteOf(p)?.note ?? ''}
                  placeholder="a note: why, or why not"
                  aria-label="Note on the proposal"
                  onBlur={(e) => void note(p, e.target.value.trim())}
                  onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
                />
              )}
            </li>
          );
        })}
      </ol>
      {passedMarks.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer text-[12.5px] text-soft">{passedMarks.length} passed over</summary>
          <ul className="mt-1">
            {passedMarks.map((m) => (
              <li key={m.id} className="flex items-baseline gap-2 py-1 text-[13px]">
                <span className="w-10 text-faint tabular-nums">{clock(m.startUs)}</span>
                <span className="flex-1 truncate font-serif" title={m.note}>
                  {m.title}
                  {m.note && <span className="font-sans text-[12px] text-soft"> {m.note}</span>}
                </span>
                <button className="link" onClick={() => void api.removeMarks(episodeId, [m.id]).then(fresh)}>
                  bring back
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function Nudge({
  label,
  icon,
  onClick,
}: {
  label: string;
  icon: React.ReactNode;
  onClick: (e: React.MouseEvent) => void;
}) {
  return (
    <button className="rounded px-1 py-0.5 hover:bg-paper" aria-label={label} title={label} onClick={onClick}>
      {icon}
    </button>
  );
}

function opening(transcript: TranscriptColumns, first: number): string {
  const end = transcript.sentenceEnds.find((e) => e > first) ?? first + 12;
  return joined(transcript.text.slice(first, Math.min(end, first + 24)));
}
