import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery } from '@tanstack/react-query';
import { api, type DoubtfulWord, type TranscriptColumns } from '../api/client';
import { clock } from '../ui/time';
import { usePlayback } from '../plate/Playback';
import type { Corrections } from '../workbench/corrections';
import { startCorrecting } from '../workbench/corrections';
import { keyFor, keyName } from '../keyboard/keyMap';
import { putCarried } from '../keyboard/paring';
import { useChanges } from '../workbench/changes';
import { ShownKey } from '../keyboard/ShownKey';
import { PauseActs } from '../pare/PauseActs';
import { GapField, TreatMenu } from '../pare/TreatMenu';
import { ordered, useWorkbench } from '../workbench/store';
import { joined } from '../ui/spacing';

interface Props {
  episodeId: number;
  transcript: TranscriptColumns;
  corrections: Corrections;
  cuts: boolean;
  doubtful: DoubtfulWord[];
}

const WHY: Record<DoubtfulWord['why'], string> = {
  HARDLY_HEARD: 'hardly heard',
  UNKNOWN_SPELLING: 'in no dictionary',
  SAID_TWICE: 'said twice',
  SMALL_BEGINNING: 'a sentence that begins small',
  NO_END: 'no mark at the end',
  CLOSE_CALL: 'its mark was proposed',
};

/** What can be corrected of the selected words, each with its key; and how the page shows what is doubtful or cut. */
export function CorrectBar({ episodeId, transcript, corrections, cuts, doubtful }: Props) {
  const selection = useWorkbench((s) => s.selection);
  const showStruck = useWorkbench((s) => s.showStruck);
  const changes = useChanges();
  const carrying = useWorkbench((s) => s.carrying);
  const gap = useWorkbench((s) => s.gap);
  const pause = useWorkbench((s) => s.pause);
  const clip = useWorkbench((s) => s.clip);
  const chosen = clip?.pared.gaps.find((g) => g.id === gap);
  const [first, last] = selection ? ordered(selection) : [-1, -1];
  const why = first === last ? doubtful.find((d) => d.index === first)?.why : undefined;
  return (
    <div
      className="flex h-[38px] shrink-0 items-center overflow-x-auto border-b border-rule bg-desk pl-4 text-[13px] whitespace-nowrap"
      data-testid="correct-bar"
    >
      {carrying ? (
        <span className="flex items-center gap-2 pl-1" data-testid="carrying">
          {ordered(carrying)[1] - ordered(carrying)[0] + 1} words taken up. Select a word:
          <button className="button" disabled={first < 0} onClick={() => putCarried(changes, first)}>
            Put them before it <span className="text-[11px] text-faint">Ctrl V</span>
          </button>
          <button className="link" onClick={() => putCarried(changes, -1)}>
            at the end
          </button>
          <button className="link" onClick={() => useWorkbench.setState({ carrying: null })}>
            leave them
          </button>
        </span>
      ) : chosen ? (
        <GapField key={chosen.id} id={chosen.id} lengthUs={chosen.lengthUs} />
      ) : cuts && clip && pause !== null && pause + 1 < transcript.text.length ? (
        <PauseActs clip={clip} word={pause} transcript={transcript} />
      ) : first < 0 || last >= transcript.text.length ? (
        <span className="pl-1 text-faint">Select a word to correct it</span>
      ) : (
        <Selected
          cuts={cuts}
          episodeId={episodeId}
          first={first}
          last={last}
          transcript={transcript}
          corrections={corrections}
        />
      )}
      <span className="sticky right-0 ml-auto flex items-center gap-4 self-stretch bg-desk pr-4 pl-3 text-soft shadow-[-10px_0_8px_-2px_var(--color-desk)]">
        {why && <span className="text-accent">{WHY[why]}</span>}
        {doubtful.length > 0 && !(cuts && first >= 0) && (
          <span
            title={`${keyName(keyFor('n'))} goes to the next one, ${keyName(keyFor('a'))} accepts it, ${keyName(keyFor('t'))} corrects it`}
            data-testid="doubtful"
          >
            {doubtful.length} doubtful <ShownKey ours="n" />
          </span>
        )}
        {cuts && (
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-[var(--steel)]"
              checked={showStruck}
              onChange={(e) => useWorkbench.setState({ showStruck: e.target.checked })}
            />
            show what went
          </label>
        )}
      </span>
    </div>
  );
}

function Selected({
  cuts,
  episodeId,
  first,
  last,
  transcript,
  corrections,
}: {
  cuts: boolean;
  episodeId: number;
  first: number;
  last: number;
  transcript: TranscriptColumns;
  corrections: Corrections;
}) {
  const playback = usePlayback();
  const phrase = joined(transcript.text.slice(first, last + 1));
  const paragraphStarts = transcript.paragraphs.some((p) => p.from === first);
  return (
    <>
      <span className="mr-1 max-w-[90px] truncate font-serif text-[15px]" title={phrase}>
        {phrase}
      </span>
      <Act label="Correct" ours="t" onAct={() => startCorrecting(playback, first, last)} />
      <All key={phrase} episodeId={episodeId} phrase={phrase} transcript={transcript} corrections={corrections} />
      <Act label="Mark" ours="p" onAct={() => void corrections.correct({ type: 'mark', word: last })} />
      <Act label="Capital" ours="u" onAct={() => void corrections.correct({ type: 'capital', word: first })} />
      {last > first && (
        <Act label="Join" ours="" onAct={() => void corrections.correct({ type: 'join', first, last })} />
      )}
      <Act
        label={paragraphStarts ? 'Run on' : 'Paragraph'}
        ours="b"
        onAct={() => void corrections.correct({ type: 'paragraph', word: first, starts: !paragraphStarts })}
      />
      <Speaker first={first} last={last} transcript={transcript} corrections={corrections} />
      {cuts && <TreatMenu first={first} last={last} />}
    </>
  );
}

function Act({ label, ours, onAct }: { label: string; ours: string; onAct: () => void }) {
  return (
    <button className="rounded px-2 py-1 hover:bg-paper" onClick={onAct}>
      {label} {ours && <ShownKey ours={ours} />}
    </button>
  );
}

/** Every place where the phrase is said, each to be taken or left. */
function All({
  episodeId,
  phrase,
  transcript,
  corrections,
}: {
  episodeId: number;
  phrase: string;
  transcript: TranscriptColumns;
  corrections: Corrections;
}) {
  const bare = phrase.replace(/[.,;:?!"“”]/g, '');
  const [open, setOpen] = useState(false);
  const [text, setText] = useState(bare);
  const [left, setLeft] = useState<Set<number>>(new Set());
  const found = useQuery({
    queryKey: ['alike', episodeId, transcript.revision, bare],
    queryFn: () => api.search(episodeId, bare),
    enabled: open,
  });
  const hits = (found.data ?? []).filter((h) => strip(transcript.text[h.to - 1]) === strip(bare.split(' ').at(-1)!));
  const taken = hits.filter((h) => !left.has(transcript.ids[h.from]));
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button className="rounded px-2 py-1 hover:bg-paper">All alike</button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[440px]" sideOffset={6} align="start">
          <label>
            <span className="label">Write “{bare}” as</span>
            <input
              className="field mt-0.5 font-serif text-[16px]"
              value={text}
              autoFocus
              onChange={(e) => setText(e.target.value)}
            />
          </label>
          <ul className="mt-3 max-h-64 overflow-y-auto">
            {hits.map((h) => {
              const id = transcript.ids[h.from];
              return (
                <li key={id} className="flex items-baseline gap-2 py-1">
                  <input
                    type="checkbox"
                    aria-label={`at ${clock(transcript.startUs[h.from])}`}
                    checked={!left.has(id)}
                    onChange={() =>
                      setLeft((before) =>
                        before.has(id) ? new Set([...before].filter((x) => x !== id)) : new Set(before).add(id),
                      )
                    }
                  />
                  <span className="w-12 text-[12px] text-faint tabular-nums">{clock(transcript.startUs[h.from])}</span>
                  <span className="flex-1 font-serif">
                    {joined(transcript.text.slice(Math.max(0, h.from - 4), h.from))}{' '}
                    <b>{joined(transcript.text.slice(h.from, h.to))}</b> {joined(transcript.text.slice(h.to, h.to + 4))}
                  </span>
                </li>
              );
            })}
          </ul>
          <div className="mt-3 flex items-center justify-between">
            <button
              className="link"
              onClick={() => {
                void api.acceptSpelling(episodeId, bare, text);
                useWorkbench.setState({ message: `In the show's glossary: “${bare}” is written “${text}”.` });
              }}
              disabled={!text.trim() || text === bare}
            >
              and always in this show
            </button>
            <button
              className="button button-strong"
              disabled={!text.trim() || taken.length === 0 || text === bare}
              onClick={() => {
                void corrections.correct({ type: 'replaceAll', phrase: bare, text, except: [...left] });
                setOpen(false);
              }}
            >
              Correct {taken.length}
            </button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const strip = (word: string) => word.toLowerCase().replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, '');

function Speaker({
  first,
  last,
  transcript,
  corrections,
}: {
  first: number;
  last: number;
  transcript: TranscriptColumns;
  corrections: Corrections;
}) {
  const [typed, setTyped] = useState('');
  const paragraph = transcript.paragraphs.find((p) => first >= p.from && first < p.to);
  const whole = first === last && paragraph ? { first: paragraph.from, last: paragraph.to - 1 } : { first, last };
  const give = (speaker: string) => {
    if (speaker.trim()) void corrections.correct({ type: 'reassign', ...whole, speaker });
    setTyped('');
  };
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="rounded px-2 py-1 hover:bg-paper">Speaker</button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[250px]" sideOffset={6} align="start">
          <p className="text-soft">
            {whole.last > whole.first
              ? first === last
                ? 'This paragraph is said by'
                : 'These words are said by'
              : 'This is said by'}
          </p>
          <div className="mt-2 flex flex-col gap-1">
            {transcript.speakers.map((name, s) => (
              <Popover.Close key={name} asChild>
                <button
                  className="flex items-center gap-2 rounded px-2 py-1 text-left hover:bg-desk"
                  onClick={() => give(name)}
                >
                  <span className="h-3 w-3 rounded-full" style={{ background: `var(--speaker-${s % 4})` }} />
                  {name}
                </button>
              </Popover.Close>
            ))}
            <form
              className="mt-1 flex gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                give(typed);
              }}
            >
              <input
                className="field"
                placeholder="somebody else"
                aria-label="Another speaker"
                value={typed}
                onChange={(e) => setTyped(e.target.value)}
              />
              <button className="button" disabled={!typed.trim()}>
                Add
              </button>
            </form>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
