import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, type Remark, type TranscriptColumns } from '../api/client';
import { keyFor, keyName } from '../keyboard/keyMap';
import { usePlayback } from '../plate/Playback';
import { useWorkbench } from '../workbench/store';
import { remarkedWord, useRemarks } from './remarks';

/** What was remarked of the clip, where the producer works on it. */
export function RemarksCard({ clipId, transcript }: { clipId: number; transcript: TranscriptColumns }) {
  const remarks = useRemarks(clipId);
  const selection = useWorkbench((s) => s.selection);
  const playback = usePlayback();
  const threads = remarks.filter((r) => r.answers === null);
  if (!threads.length) return null;
  const open = threads.filter((r) => r.doneAt === null).length;
  return (
    <section className="mt-3 grid gap-2 border-t border-rule pt-2" aria-label="Remarks">
      <h3 className="label flex justify-between">
        <span>{open === 0 ? 'All remarks done' : open === 1 ? '1 remark' : `${open} remarks`}</span>
        <span className="font-normal">{keyName(keyFor(';'))} next</span>
      </h3>
      {threads.map((r) => {
        const word = remarkedWord(r, transcript);
        return (
          <Thread
            key={r.id}
            clipId={clipId}
            remark={r}
            answers={remarks.filter((a) => a.answers === r.id)}
            here={word >= 0 && selection?.focus === word}
            onGo={() => {
              if (word < 0) return;
              useWorkbench.getState().select(word, word);
              playback.seekEpisode(transcript.startUs[word]);
            }}
          />
        );
      })}
    </section>
  );
}

function Thread({
  clipId,
  remark,
  answers,
  here,
  onGo,
}: {
  clipId: number;
  remark: Remark;
  answers: Remark[];
  here: boolean;
  onGo: () => void;
}) {
  const queries = useQueryClient();
  const [answering, setAnswering] = useState(false);
  const done = remark.doneAt !== null;
  const act = (ask: () => Promise<Remark[]>) =>
    ask().then(
      (now) => queries.setQueryData(['remarks', clipId], now),
      (error: Error) => useWorkbench.setState({ message: error.message }),
    );
  return (
    <article
      className={`border-l-[3px] px-2.5 py-1.5 text-[12.5px] ${done ? 'border-rule text-soft' : 'border-accent bg-wash'} ${here ? 'outline outline-accent' : ''}`}
    >
      <button className="text-left" onClick={onGo}>
        <b>{remark.word}</b> <span className="text-soft">{remark.author}</span>
      </button>
      <p className="break-words whitespace-pre-wrap">{remark.text}</p>
      {answers.map((a) => (
        <p key={a.id} className="mt-0.5 border-l border-rule pl-2 break-words whitespace-pre-wrap">
          <span className="text-soft">{a.fromGuest ? a.author : 'You'}: </span>
          {a.text}
        </p>
      ))}
      {answering ? (
        <form
          className="mt-1 flex gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            const text = new FormData(e.currentTarget).get('text') as string;
            void act(() => api.answerRemark(remark.id, text)).then(() => setAnswering(false));
          }}
        >
          <input name="text" className="field" aria-label="Your answer" maxLength={2000} autoFocus required />
          <button className="button button-small">Answer</button>
        </form>
      ) : (
        <p className="mt-0.5 flex gap-3">
          <button className="link" onClick={() => void act(() => api.remarkDone(remark.id, !done))}>
            {done ? 'Open again' : 'Done'}
          </button>
          <button className="link" onClick={() => setAnswering(true)}>
            Answer
          </button>
        </p>
      )}
    </article>
  );
}
