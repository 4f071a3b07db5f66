import { Fragment, useEffect, useRef, type ReactNode } from 'react';
import type { GuestClip, GuestRemark } from './guestApi';
import { placed } from './placed';
import { isSpaced } from '../ui/spacing';

/** What is said in a clip; a word is touched, or chosen by the arrow keys and Enter, to remark on it. */
export function GuestText({
  clip,
  now,
  chosen,
  thread,
  onWord,
}: {
  clip: GuestClip;
  now: number;
  chosen: number | null;
  /** How a remark is shown. */
  thread: (remark: GuestRemark) => ReactNode;
  onWord: (word: number) => void;
}) {
  const text = useRef<HTMLDivElement>(null);
  const remarked = new Set(clip.remarks.filter((r) => r.answers === null).map((r) => r.fileUs));
  const remarks = placed(clip.words, clip.remarks);
  const gone = new Map(clip.gone.map((g) => [g.before, g.text]));
  useEffect(() => {
    if (now >= 0) text.current?.querySelector(`[data-w="${now}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [now]);
  const focus = (i: number) => text.current?.querySelector<HTMLElement>(`[data-w="${i}"]`)?.focus();
  const pieces = clip.words.map((w, i) => {
    const turn = clip.speakers.length > 1 && (i === 0 || clip.words[i - 1].speaker !== w.speaker);
    let name = 'rounded-[3px] px-[1px] py-[2px] cursor-pointer';
    if (i === chosen) name += ' bg-wash outline outline-accent';
    else if (i === now) name += ' bg-ink text-paper';
    if (w.isNew) name += ' proof-new';
    if (remarked.has(w.fromUs)) name += ' proof-remarked';
    return (
      <Fragment key={i}>
        {turn && clip.speakers[w.speaker] && (
          <span className="label mt-2 mb-0.5 block font-sans font-medium">{clip.speakers[w.speaker]}</span>
        )}
        {gone.has(i) && <Gone text={gone.get(i)!} />}
        <span
          data-w={i}
          role="button"
          tabIndex={i === Math.max(0, now) ? 0 : -1}
          className={name}
          onClick={() => onWord(i)}
          onKeyDown={(e) => {
            if (e.key === 'ArrowRight') focus(i + 1);
            else if (e.key === 'ArrowLeft') focus(i - 1);
            else if (e.key === 'Enter' || e.key === ' ') onWord(i);
            else return;
            e.preventDefault();
          }}
        >
          {w.text}
        </span>
        {isSpaced(w.text, clip.words[i + 1]?.text ?? '') && ' '}
        {remarks.get(i)?.map((r) => (
          <Fragment key={r.id}>{thread(r)}</Fragment>
        ))}
      </Fragment>
    );
  });
  return (
    <div ref={text} className="font-serif text-[18px] leading-[1.65]" role="group" aria-label="What is said">
      {pieces}
      {remarks.get(-1)?.map((r) => (
        <Fragment key={r.id}>{thread(r)}</Fragment>
      ))}
      {gone.has(clip.words.length) && <Gone text={gone.get(clip.words.length)!} />}
    </div>
  );
}

function Gone({ text }: { text: string }) {
  return (
    <span
      className="mx-0.5 rounded border border-dashed border-accent px-1 text-[12px] text-accent"
      title={`Gone: ${text}`}
    >
      <span className="sr-only">gone: {text}</span>
      <span aria-hidden>⌃</span>
    </span>
  );
}
