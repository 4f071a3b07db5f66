import { useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type MediaFile } from '../api/client';
import { sizeText } from '../ui/time';
import { titleOf, transcriptOf } from './filesTogether';
import { OpenBundle } from './OpenBundle';
import { UploadList } from './UploadList';
import { sendFile } from './uploads';

const PICTURE = /\.(mp4|mov|mkv|webm)$/i;

type Words = 'recognise' | 'file' | 'paste' | 'type';

/** A new episode: files of the media folder, or files sent to it. */
export function AddEpisode({ onDone }: { onDone: (mended: string[]) => void }) {
  const queries = useQueryClient();
  const files = useQuery({ queryKey: ['media'], queryFn: api.mediaFolder });
  const [show, setShow] = useState('');
  const [title, setTitle] = useState('');
  const [recording, setRecording] = useState('');
  const [transcript, setTranscript] = useState('');
  const [words, setWords] = useState<Words>('recognise');
  const [text, setText] = useState('');
  const recogniser = useQuery({ queryKey: ['recogniser'], queryFn: api.recogniser, staleTime: Infinity });
  const [microphones, setMicrophones] = useState<{ file: string; speaker: string }[]>([]);
  const [problem, setProblem] = useState('');
  const picker = useRef<HTMLInputElement>(null);
  // Files arrive between renders, so what is chosen by then is read from here.
  const latest = useRef('');
  const chooseRecording = (name: string) => {
    const before = latest.current;
    latest.current = name;
    setRecording(name);
    setMicrophones((m) => m.filter((x) => x.file !== name));
    const there = files.data ?? [];
    setTitle((typed) => (!typed || typed === titleOf(before, there) ? titleOf(name, there) : typed));
    const found = transcriptOf(name, there);
    if (found && (words === 'recognise' || (words === 'file' && transcript === transcriptOf(before, there)))) {
      setTranscript(found);
      setWords('file');
    }
  };
  const addMicrophone = (file: string) =>
    setMicrophones((m) =>
      !file || file === latest.current || m.some((x) => x.file === file) ? m : [...m, { file, speaker: '' }],
    );
  /** The first picture is the recording; what comes beside it is a camera or a microphone of it. */
  const arrived = (name: string) => {
    const before = latest.current;
    if (!before || (PICTURE.test(name) && !PICTURE.test(before))) {
      chooseRecording(name);
      addMicrophone(before);
    } else addMicrophone(name);
  };
  const openBundle = async (file: string) => {
    try {
      await api.openBundle(file);
      await queries.invalidateQueries({ queryKey: ['shelf'] });
      onDone([]);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const send = (files: FileList | null) => {
    for (const file of files ?? []) {
      void sendFile(file, (stored) => {
        void queries.invalidateQueries({ queryKey: ['media'] });
        if (stored.isBundle) void openBundle(stored.name);
        else if (stored.isTranscript) {
          setTranscript(stored.name);
          setWords('file');
        } else arrived(stored.name);
      });
    }
  };
  const add = async () => {
    try {
      const shelved = await api.addEpisode({
        show,
        title,
        recording,
        transcript: words === 'file' ? transcript : '',
        text: words === 'paste' ? text : '',
        typed: words === 'type',
        microphones,
      });
      await queries.invalidateQueries({ queryKey: ['shelf'] });
      onDone(shelved.mended);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const recordings = files.data?.filter((f) => !f.isTranscript && !f.isBundle) ?? [];
  const transcripts = files.data?.filter((f) => f.isTranscript) ?? [];
  const missing = !recording
    ? 'Choose a recording.'
    : !title.trim()
      ? 'Give it a title.'
      : words === 'file' && !transcript
        ? 'Choose its transcript.'
        : words === 'paste' && !text.trim()
          ? 'Paste its text.'
          : null;
  return (
    <section
      className="panel mb-8"
      aria-label="Add an episode"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        send(e.dataTransfer.files);
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
        <div>
          <span className="label">Recording, from the media folder</span>
          <FileChoice
            files={recordings}
            value={recording}
            label="Recording"
            none="choose one"
            onChoose={chooseRecording}
          />
        </div>
        <div>
          <span className="label">Its words</span>
          <select
            className="field mt-0.5"
            aria-label="Its words"
            value={words}
            onChange={(e) => setWords(e.target.value as Words)}
          >
            <option value="recognise">are recognised on this machine</option>
            <option value="file">come from a transcript file</option>
            <option value="paste">come from a text I paste</option>
            <option value="type">I type them while listening</option>
          </select>
        </div>
        <div className="col-span-2">
          {words === 'recognise' && recogniser.data && (
            <p className="text-soft">
              {recogniser.data.name}: {recogniser.data.quality}
            </p>
          )}
          {words === 'file' && (
            <FileChoice
              files={transcripts}
              value={transcript}
              label="Transcript"
              none="choose one"
              onChoose={setTranscript}
            />
          )}
          {words === 'paste' && (
            <textarea
              className="field h-36 font-serif text-[16px]"
              placeholder="What is said, word for word. A speaker's name and a colon begin what they say. It is timed against the sound; what the sound does not say is shown to you."
              aria-label="The text"
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
          )}
          {words === 'type' && (
            <p className="text-soft">
              The player stops while you type and goes on when you pause. Open the episode and choose “Type along”.
            </p>
          )}
        </div>
      </div>
      <div className="mt-4">
        <span className="label">
          Further cameras and separate microphones, if there are any: lined up by their sound; microphones are heard
          instead of the recording's own
        </span>
        {microphones.map((m, i) => (
          <div key={m.file} className="mt-1 flex items-center gap-2">
            <span className="flex-1 truncate">{m.file}</span>
            {PICTURE.test(m.file) ? (
              <span className="w-52 text-soft">a camera: seen, not heard</span>
            ) : (
              <input
                className="field w-52"
                placeholder="whose it is"
                aria-label={`Speaker of ${m.file}`}
                value={m.speaker}
                onChange={(e) =>
                  setMicrophones(microphones.map((x, k) => (k === i ? { ...x, speaker: e.target.value } : x)))
                }
              />
            )}
            <button className="link" onClick={() => setMicrophones(microphones.filter((_, k) => k !== i))}>
              leave out
            </button>
          </div>
        ))}
        <FileChoice files={recordings} value="" label="Camera or microphone" none="add one" onChoose={addMicrophone} />
      </div>
      <OpenBundle bundles={files.data?.filter((f) => f.isBundle) ?? []} onOpen={openBundle} />
      <UploadList />
      <div className="mt-4 flex items-center gap-3">
        <input
          ref={picker}
          type="file"
          multiple
          className="hidden"
          data-testid="files"
          onChange={(e) => send(e.target.files)}
        />
        <button className="button" onClick={() => picker.current?.click()}>
          Send files
        </button>
        <span className="text-soft">or drop them here; a text without times is timed against the sound</span>
        {problem && <span className="text-accent">{problem}</span>}
        {missing && !problem && <span className="ml-auto whitespace-nowrap text-soft">{missing}</span>}
        <button
          className={`button button-strong ${missing && !problem ? '' : 'ml-auto'}`}
          disabled={missing !== null}
          onClick={() => void add()}
        >
          Put it on the shelf
        </button>
      </div>
    </section>
  );
}

interface FileChoiceProps {
  files: MediaFile[];
  value: string;
  label: string;
  none: string;
  onChoose: (name: string) => void;
}

function FileChoice({ files, value, label, none, onChoose }: FileChoiceProps) {
  return (
    <select className="field mt-0.5" value={value} aria-label={label} onChange={(e) => onChoose(e.target.value)}>
      <option value="">{none}</option>
      {files.map((f) => (
        <option key={f.name} value={f.name}>
          {f.name} ({sizeText(f.bytes)})
        </option>
      ))}
    </select>
  );
}
