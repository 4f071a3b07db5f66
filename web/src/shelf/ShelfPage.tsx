import { useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Plus } from 'lucide-react';
import { api, upload, type ShelfItem } from '../api/client';
import { useServerEvents } from '../api/events';
import { clock, sizeText } from '../ui/time';

/** The shelf: every episode, what has become of it, and a way to add one. */
export function ShelfPage() {
  useServerEvents();
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
  const [adding, setAdding] = useState(false);
  const [phrase, setPhrase] = useState('');
  const [mended, setMended] = useState<string[]>([]);
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-[52px] shrink-0 items-center border-b border-rule px-6">
        <span className="flex items-center gap-2 font-serif text-[17px] font-semibold">
          <img src="/assets/mark.svg" alt="" width="22" height="22" />
          Paring Knife
        </span>
        <button className="button button-strong ml-auto flex items-center gap-1.5" onClick={() => setAdding(!adding)} aria-expanded={adding}>
          <Plus size={15} /> Add an episode
        </button>
      </header>
      <main className="mx-auto w-full max-w-[980px] flex-1 overflow-y-auto px-6 py-8">
        {adding && (
          <AddEpisode
            onDone={(notes) => {
              setAdding(false);
              setMended(notes);
            }}
          />
        )}
        {mended.length > 0 && (
          <div className="mb-6 flex items-start justify-between rounded-md bg-steelwash px-4 py-2.5" role="status">
            <div>
              <b>On the shelf. In its transcript:</b>
              <ul>
                {mended.map((m) => (
                  <li key={m}>{m}</li>
                ))}
              </ul>
            </div>
            <button className="link" onClick={() => setMended([])}>
              dismiss
            </button>
          </div>
        )}
        <div className="flex items-baseline justify-between">
          <h1 className="font-serif text-[26px] font-semibold">Shelf</h1>
          <input className="field w-[300px]" type="search" placeholder="Find anything ever said" aria-label="Find anything ever said" value={phrase} onChange={(e) => setPhrase(e.target.value)} />
        </div>
        {phrase.trim().length > 1 && <SaidList phrase={phrase.trim()} />}
        {shelf.isError && <p className="mt-4">{(shelf.error as Error).message}</p>}
        {shelf.data?.length === 0 && (
          <p className="mt-4 max-w-lg text-soft">
            The shelf is empty. Add an episode: a recording, and its transcript if there is one. Without one, the words are recognised on this
            machine, which takes a while and makes mistakes.
          </p>
        )}
        <ul className="mt-4">
          {shelf.data?.map((e) => (
            <Episode key={e.id} item={e} />
          ))}
        </ul>
      </main>
    </div>
  );
}

/** Sentences in which a phrase is said, across the whole shelf. */
function SaidList({ phrase }: { phrase: string }) {
  const found = useQuery({ queryKey: ['said', phrase], queryFn: () => api.said(phrase), placeholderData: (before) => before });
  if (!found.data) return <p className="mt-4 text-soft">Looking</p>;
  if (!found.data.length) return <p className="mt-4 text-soft">Nobody has said that on this shelf.</p>;
  return (
    <ul className="mt-4 rounded-md bg-desk px-4 py-2" data-testid="said">
      {found.data.map((s, i) => (
        <li key={`${s.episodeId}-${s.startUs}-${i}`} className="border-b border-rule py-2 last:border-0">
          <Link className="group flex items-baseline gap-4" to={`/episodes/${s.episodeId}?at=${s.startUs}`}>
            <span className="w-14 shrink-0 text-right text-[12.5px] text-faint tabular-nums">{clock(s.startUs)}</span>
            <span className="flex-1 font-serif text-[16.5px] leading-snug group-hover:text-accent">{s.sentence}</span>
            <span className="w-[210px] shrink-0 truncate text-right text-[12.5px] text-soft">
              {s.speaker ? `${s.speaker}, ` : ''}
              {s.title}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

function Episode({ item }: { item: ShelfItem }) {
  const queries = useQueryClient();
  const ready = item.state === 'READY';
  return (
    <li className="border-b border-rule">
      <Link to={`/episodes/${item.id}`} className="group flex items-center gap-5 py-4">
        <div className="grid h-[90px] w-[160px] shrink-0 place-items-center overflow-hidden rounded-md bg-desk">
          {ready ? <img src={`/api/episodes/${item.id}/poster`} alt="" className="h-full w-full object-cover" /> : <span className="text-faint">{Math.round(item.progress * 100)} %</span>}
        </div>
        <div className="min-w-0 flex-1">
          <div className="text-[12.5px] text-soft">{item.show}</div>
          <div className="font-serif text-[20px] leading-tight font-semibold group-hover:text-accent">{item.title}</div>
          <div className="mt-1 text-soft tabular-nums">
            {clock(item.durationUs)}
            {item.words ? `, ${item.words.toLocaleString('en')} words` : ''}
          </div>
          {item.state === 'ARRIVING' && (
            <div className="mt-2 flex items-center gap-3">
              <div className="h-1.5 w-60 overflow-hidden rounded-full bg-rule">
                <div className="h-full bg-steel" style={{ width: `${item.progress * 100}%` }} />
              </div>
              <span className="text-[12.5px] text-soft">{item.progress >= 0.99 ? 'recognising the words' : 'taking in'}</span>
            </div>
          )}
          {item.state === 'FAILED' && <div className="mt-1 line-clamp-2 text-accent">Not taken in: {item.problem}</div>}
        </div>
        <div className="w-[110px] text-right text-soft">{item.clips ? `${item.clips} clip${item.clips === 1 ? '' : 's'}` : 'no clips yet'}</div>
      </Link>
      {item.state === 'FAILED' && (
        <button
          className="button mb-4 ml-[180px]"
          onClick={async () => {
            await api.tryAgain(item.id);
            await queries.invalidateQueries({ queryKey: ['shelf'] });
          }}
        >
          Try again
        </button>
      )}
    </li>
  );
}

/** A first title from a file's name: its own words, without folders and extension. */
const titleOf = (name: string) =>
  name
    .replace(/^.*\//, '')
    .replace(/\.[^.]+$/, '')
    .replace(/[-_]+/g, ' ');

function AddEpisode({ onDone }: { onDone: (mended: string[]) => void }) {
  const queries = useQueryClient();
  const files = useQuery({ queryKey: ['media'], queryFn: api.mediaFolder });
  const [show, setShow] = useState('');
  const [title, setTitle] = useState('');
  const [recording, setRecording] = useState('');
  const [transcript, setTranscript] = useState('');
  const [microphones, setMicrophones] = useState<{ file: string; speaker: string }[]>([]);
  const [sending, setSending] = useState<number | null>(null);
  const [problem, setProblem] = useState('');
  const picker = useRef<HTMLInputElement>(null);
  const send = async (chosen: FileList | null) => {
    for (const file of chosen ?? []) {
      try {
        setProblem('');
        setSending(0);
        const stored = await upload(file, setSending);
        await queries.invalidateQueries({ queryKey: ['media'] });
        if (/\.(json|srt|vtt|ttml|txt)$/i.test(stored.name)) setTranscript(stored.name);
        else chooseRecording(stored.name);
      } catch (error) {
        setProblem((error as Error).message);
      } finally {
        setSending(null);
      }
    }
  };
  const chooseRecording = (name: string) => {
    setRecording(name);
    setTitle((typed) => typed || titleOf(name));
  };
  const add = async () => {
    try {
      const shelved = await api.addEpisode({ show, title, recording, transcript, microphones });
      await queries.invalidateQueries({ queryKey: ['shelf'] });
      onDone(shelved.mended);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const choice = (isTranscript: boolean, value: string, set: (v: string) => void, none: string) => (
    <select className="field mt-0.5" value={value} onChange={(e) => set(e.target.value)}>
      <option value="">{none}</option>
      {files.data
        ?.filter((f) => f.isTranscript === isTranscript || (isTranscript && /\.(json|srt|vtt|ttml|txt)$/i.test(f.name)))
        .filter((f) => isTranscript || !/\.(json|srt|vtt|ttml|txt)$/i.test(f.name))
        .map((f) => (
          <option key={f.name} value={f.name}>
            {f.name} ({sizeText(f.bytes)})
          </option>
        ))}
    </select>
  );
  return (
    <section
      className="panel mb-8"
      aria-label="Add an episode"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void send(e.dataTransfer.files);
      }}
    >
      <div className="grid grid-cols-2 gap-4">
        <label>
          <span className="label">Show</span>
          <input className="field mt-0.5" value={show} onChange={(e) => setShow(e.target.value)} />
        </label>
        <label>
          <span className="label">Title</span>
          <input className="field mt-0.5" value={title} onChange={(e) => setTitle(e.target.value)} />
        </label>
        <label>
          <span className="label">Recording, from the media folder</span>
          {choice(false, recording, chooseRecording, 'choose one')}
        </label>
        <label>
          <span className="label">Transcript, if there is one</span>
          {choice(true, transcript, setTranscript, 'recognise the words here')}
        </label>
      </div>
      <div className="mt-4">
        <span className="label">Separate microphones, if there are any: lined up by their sound, and heard instead of the recording's own</span>
        {microphones.map((m, i) => (
          <div key={m.file} className="mt-1 flex items-center gap-2">
            <span className="flex-1 truncate">{m.file}</span>
            <input
              className="field w-52"
              placeholder="whose it is"
              aria-label={`Speaker of ${m.file}`}
              value={m.speaker}
              onChange={(e) => setMicrophones(microphones.map((x, k) => (k === i ? { ...x, speaker: e.target.value } : x)))}
            />
            <button className="link" onClick={() => setMicrophones(microphones.filter((_, k) => k !== i))}>
              leave out
            </button>
          </div>
        ))}
        {choice(false, '', (file) => file && !microphones.some((m) => m.file === file) && setMicrophones([...microphones, { file, speaker: '' }]), 'add one')}
      </div>
      <div className="mt-4 flex items-center gap-3">
        <input ref={picker} type="file" multiple className="hidden" onChange={(e) => void send(e.target.files)} />
        <button className="button" onClick={() => picker.current?.click()}>
          Send files
        </button>
        <span className="text-soft">{sending !== null ? `sending, ${Math.round(sending * 100)} %` : 'or drop them here'}</span>
        {problem && <span className="text-accent">{problem}</span>}
        <button className="button button-strong ml-auto" disabled={!recording || !title.trim()} onClick={() => void add()}>
          Put it on the shelf
        </button>
      </div>
    </section>
  );
}
