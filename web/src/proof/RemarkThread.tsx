import { useState } from 'react';
import type { GuestRemark } from './guestApi';
import { clock } from '../ui/time';
import { keepName } from './guestName';

/** A remark with its answers, where it belongs in the text. */
export function RemarkThread({
  remark,
  answers,
  name,
  onGo,
  onAnswer,
}: {
  remark: GuestRemark;
  answers: GuestRemark[];
  name: string;
  onGo: () => void;
  onAnswer: (author: string, text: string) => Promise<boolean>;
}) {
  const [answering, setAnswering] = useState(false);
  return (
    <article
      aria-label={`Remark on ${remark.word}`}
      className={`my-1.5 border-l-[3px] px-3 py-2 font-sans text-[13.5px] leading-snug ${remark.done ? 'border-rule bg-desk text-soft' : 'border-accent bg-wash'}`}
    >
      <button className="text-left" onClick={onGo}>
        <b>{remark.word}</b>, {clock(remark.fileUs)}
        <span className="text-soft">
          {' '}
          · {remark.author}
          {remark.done ? ' · done' : ''}
        </span>
      </button>
      <p className="break-words whitespace-pre-wrap">{remark.text}</p>
      {answers.map((a) => (
        <p key={a.id} className="mt-1 border-l border-rule pl-2 break-words whitespace-pre-wrap">
          <span className="text-soft">{a.author}: </span>
          {a.text}
        </p>
      ))}
      {answering ? (
        <form
          className="mt-1.5 flex flex-wrap gap-2"
          onSubmit={async (e) => {
            e.preventDefault();
            const written = new FormData(e.currentTarget);
            const author = (written.get('author') as string).trim();
            keepName(author);
            if (await onAnswer(author, written.get('text') as string)) setAnswering(false);
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
        <button className="link text-[12.5px]" onClick={() => setAnswering(true)}>
          {remark.done ? 'Open again with a word' : 'Answer'}
        </button>
      )}
    </article>
  );
}
