import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ScrollText, X } from 'lucide-react';
import { api, type ShelfItem, type TranscriptColumns } from '../api/client';
import type { Corrections } from './corrections';
import { useWorkbench } from './store';

interface Props {
  item: ShelfItem;
  transcript: TranscriptColumns;
  corrections: Corrections;
  onType: () => void;
}

/** What can be done to all words at once: speakers, marks, listening again, another text, the glossary. */
export function TranscriptPanel({ item, transcript, corrections, onType }: Props) {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [pasting, setPasting] = useState(false);
  const [text, setText] = useState('');
  const recogniser = useQuery({
    queryKey: ['recogniser'],
    queryFn: api.recogniser,
    enabled: open,
    staleTime: Infinity,
  });
  const busy = item.state === 'ARRIVING';
  const ask = async (act: () => Promise<unknown>) => {
    try {
      await act();
      await queries.invalidateQueries({ queryKey: ['shelf'] });
      setOpen(false);
    } catch (error) {
      useWorkbench.setState({ message: (error as Error).message });
    }
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button className="flex items-center gap-1.5 rounded p-1.5 whitespace-nowrap hover:bg-desk">
          <ScrollText size={16} />
          The words
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel max-h-[82vh] w-[400px] overflow-y-auto" sideOffset={6} align="end">
          <div className="label">Who speaks</div>
          {transcript.speakers.map((name, s) => (
            <form
              key={`${name}${s}`}
              className="mt-1 flex items-center gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                const typed = String(new FormData(e.currentTarget).get('name')).trim();
                if (typed && typed !== name) void corrections.correct({ type: 'nameSpeaker', speaker: s, name: typed });
              }}
            >
              <span className="h-3 w-3 shrink-0 rounded-full" style={{ background: `var(--speaker-${s % 4})` }} />
              <input className="field" name="name" defaultValue={name} aria-label={`Name of ${name}`} />
              <button className="button">Name</button>
            </form>
          ))}
          <p className="mt-1 text-[12.5px] text-soft">
            {transcript.speakers.length ? 'Two that get one name become one. ' : 'Nobody has been named. '}
            <button className="link" disabled={busy} onClick={() => void ask(() => api.listen(item.id, 'VOICES'))}>
              Propose them by voice
            </button>
          </p>

          <div className="label mt-4">The text</div>
          <div className="mt-1 flex flex-wrap gap-2">
            <button
              className="button"
              onClick={() => void corrections.correct({ type: 'punctuate' }).then(() => setOpen(false))}
              title="Full stops, commas and capitals from the pauses and from how sentences begin"
            >
              Give it marks and capitals
            </button>
            <button className="button" disabled={busy} onClick={() => void ask(() => api.listen(item.id, 'TIME'))}>
              Time it against the sound
            </button>
            <button
              className="button"
              onClick={() => {
                setOpen(false);
                onType();
              }}
            >
              Type along
            </button>
            <button className="button" aria-expanded={pasting} onClick={() => setPasting(!pasting)}>
              Put another text in place
            </button>
          </div>
          {pasting && (
            <div className="mt-2">
              <textarea
                className="field h-32 font-serif text-[15px]"
                aria-label="The text"
                placeholder="What is said, word for word"
                value={text}
                onChange={(e) => setText(e.target.value)}
              />
              <button
                className="button button-strong mt-1"
                disabled={busy || !text.trim()}
                onClick={() => void ask(() => api.pasteText(item.id, text))}
              >
                Put it in place and time it
              </button>
            </div>
          )}
          <p className="mt-3">
            <button className="button" disabled={busy} onClick={() => void ask(() => api.listen(item.id, 'RECOGNISE'))}>
              Recognise it anew
            </button>
          </p>
          <p className="mt-1 text-[12.5px] text-soft">
            {recogniser.data && `${recogniser.data.name}: ${recogniser.data.quality} `}Cuts stay where they are, and
            undo brings the text back.
          </p>
          <GlossaryList item={item} corrections={corrections} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Spellings the show prefers, and those that were corrected alike twice. */
function GlossaryList({ item, corrections }: { item: ShelfItem; corrections: Corrections }) {
  const queries = useQueryClient();
  const entries = useQuery({ queryKey: ['glossary', item.id], queryFn: () => api.glossary(item.id) });
  const [heard, setHeard] = useState('');
  const [written, setWritten] = useState('');
  const fresh = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ['glossary', item.id] }),
      queries.invalidateQueries({ queryKey: ['doubtful', item.id] }),
    ]);
  const accept = async (from: string, to: string) => {
    await api.acceptSpelling(item.id, from, to);
    await fresh();
    if (from.toLowerCase() !== to.toLowerCase())
      await corrections.correct({ type: 'replaceAll', phrase: from, text: to, except: [] });
  };
  return (
    <>
      <div className="label mt-4">Glossary{item.show && ` of ${item.show}`}</div>
      <ul className="mt-1">
        {entries.data?.map((g) => (
          <li key={`${g.heard} ${g.written}`} className="flex items-baseline gap-2 border-b border-rule py-1">
            <span className="flex-1 font-serif">
              {g.heard} <span className="text-faint">is written</span> {g.written}
            </span>
            {!g.accepted && (
              <button className="link" onClick={() => void accept(g.heard, g.written)}>
                corrected {g.times} times: take it up
              </button>
            )}
            <button
              aria-label={`Take ${g.written} out of the glossary`}
              onClick={() => void api.removeSpelling(item.id, g.heard, g.written).then(fresh)}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void accept(heard, written || heard).then(() => {
            setHeard('');
            setWritten('');
          });
        }}
      >
        <input
          className="field"
          placeholder="heard"
          aria-label="Heard"
          value={heard}
          onChange={(e) => setHeard(e.target.value)}
        />
        <input
          className="field"
          placeholder="written"
          aria-label="Written"
          value={written}
          onChange={(e) => setWritten(e.target.value)}
        />
        <button className="button" disabled={!heard.trim()}>
          Add
        </button>
      </form>
      <p className="mt-1 text-[12.5px] text-soft">Recognition, imports and corrections keep to it.</p>
    </>
  );
}
