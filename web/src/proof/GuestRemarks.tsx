import { useState } from 'react';
import type { GuestRemark } from './guestApi';
import { clock } from '../ui/time';
import { keepName } from './guestName';

/** The remarks on a clip with their answers, in the order of the film. */
export function GuestRemarks({
  remarks,
  name,
  onGo,
  onAnswer,
}: {
  remarks: GuestRemark[];
  name: string;
  onGo: (us: number) => void;
  onAnswer: (remark: number, author: string, text: string) => Promise<boolean>;
}) {
  const [answering, setAnswering] = useState<number | null>(null);
  return (
    <ul className="mt-3 grid gap-2" aria-label="Remarks">
      {remarks
        .filter((r) => r.answers === null)
        .map((r) => (
          <li
            key={r.id}
            className={`border-l-[3px] px-3 py-2 text-[13.5px] ${r.done ? 'border-rule bg-desk text-soft' : 'border-accent bg-wash'}`}
          >
            <button className="text-left" onClick={() => onGo(r.fileUs)}>
              <b>{r.word}</b>, {clock(r.fileUs)}
              <span className="text-soft">
                {' '}
                · {r.author}
                {r.done ? ' · done' : ''}
              </span>
            </button>
            <p className="break-words whitespace-pre-wrap">{r.text}</p>
            {remarks
              .filter((a) => a.answers === r.id)
              .map((a) => (
                <p key={a.id} className="mt-1 border-l border-rule pl-2 break-words whitespace-pre-wrap">
                  <span className="text-soft">{a.author}: </span>
                  {a.text}
                </p>
              ))}
            {answering === r.id ? (
              <form
                className="mt-1.5 flex flex-wrap gap-2"
                onSubmit={async (e) => {
                  e.preventDefault();
                  const written = new FormData(e.currentTarget);
                  const author = (written.get('author') as string).trim();
                  keepName(author);
                  if (await onAnswer(r.id, author, written.get('text') as string)) setAnswering(null);
                }}
              >
                <input
                  name="text"
                  className="field min-w-[140px] flex-1"
                  aria-label="Your answer"
                  maxLength={2000}
                  autoFocus
                  required
                />
                <input
                  name="author"
                  className="field w-[110px]"
                  defaultValue={name}
                  placeholder="Your name"
                  aria-label="Your name"
                  maxLength={80}
                  required
                />
                <button className="button button-small">Answer</button>
              </form>
            ) : (
              <button className="link text-[12.5px]" onClick={() => setAnswering(r.id)}>
                {r.done ? 'Open again with a word' : 'Answer'}
              </button>
            )}
          </li>
        ))}
    </ul>
  );
}
