import { useState } from 'react';
import type { Sentence } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clockTenths } from '../ui/time';
import { directionOf, languageName } from './languages';
import { Pair } from './Pair';

function mark(sentence: Sentence): string | null {
  if (sentence.changed) return 'said otherwise since';
  if (sentence.state === 'PROPOSED') return 'not looked at';
  return sentence.state === 'OPEN' ? 'open' : null;
}

const seconds = (us: number) => `${us < 0 ? '−' : '+'}${Math.abs(us / 1e6).toFixed(2)}`;

const told = (moved: NonNullable<Sentence['moved']>) =>
  `${seconds(moved.beginsLaterUs)} to ${seconds(moved.endsLaterUs)} s`;

/** A sentence with its translation; what is typed is kept when the field is left, and counts as looked at. */
export function SentenceRow({
  sentence,
  language,
  frameUs,
  onTake,
}: {
  sentence: Sentence;
  language: string;
  /** A frame of the film. */
  frameUs: number;
  onTake: (text: string, moved?: Sentence['moved']) => void;
}) {
  const playback = usePlayback();
  // What was kept shows until the translation reads otherwise than it did; what is being typed, until it is kept.
  const [typed, setTyped] = useState<{ text: string; keptOver: string | null } | null>(null);
  const text = typed && (typed.keptOver === null || typed.keptOver === sentence.text) ? typed.text : sentence.text;
  const marked = mark(sentence);
  const move = (begins: number, ends: number) => {
    const { beginsLaterUs = 0, endsLaterUs = 0 } = sentence.moved ?? {};
    onTake(text, { beginsLaterUs: Math.round(beginsLaterUs + begins), endsLaterUs: Math.round(endsLaterUs + ends) });
  };
  const keep = () => {
    if (!typed || typed.keptOver !== null) return;
    if (typed.text.trim() === sentence.text) setTyped(null);
    else {
      setTyped({ text: typed.text, keptOver: sentence.text });
      onTake(typed.text);
    }
  };
  return (
    <li
      className="grid gap-1 [contain-intrinsic-size:auto_120px] [content-visibility:auto]"
      data-sentence={sentence.first}
    >
      <div className="flex items-baseline gap-2">
        <button
          className="shrink-0 text-soft tabular-nums underline-offset-2 hover:underline"
          title="Goes there"
          onClick={() => playback.seek(sentence.played.startUs)}
        >
          {clockTenths(sentence.played.startUs)}
        </button>
        {marked && (
          <span className={sentence.changed ? 'font-medium text-accent' : 'text-soft'}>
            {marked}
            {marked !== 'open' && (
              <button className="ml-1.5 underline underline-offset-2" onClick={() => onTake(text)}>
                it is right
              </button>
            )}
          </span>
        )}
      </div>
      <p className="text-soft">{sentence.source}</p>
      <textarea
        aria-label={`${languageName(language)} for: ${sentence.source}`}
        dir={directionOf(language)}
        lang={language}
        className="resize-none rounded border border-rule bg-paper px-2 py-1 font-serif text-[14px] leading-[19px]"
        rows={Math.min(
          7,
          Math.max(text.split('\n').length, 2, Math.ceil(Math.max(text.length, sentence.source.length) / 30)),
        )}
        value={text}
        onFocus={() => playback.seek(sentence.played.startUs)}
        onChange={(e) => setTyped({ text: e.target.value, keptOver: null })}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Escape') {
            setTyped(null);
          } else if (e.key === 'Enter' && !e.shiftKey) {
            e.preventDefault();
            e.currentTarget.blur();
          }
        }}
      />
      {sentence.text && (
        <div className="flex flex-wrap items-center gap-1.5">
          <Pair name="Begins" about={sentence.source} onMove={(by) => move(by * frameUs, 0)} />
          <Pair name="Ends" about={sentence.source} onMove={(by) => move(0, by * frameUs)} />
          {sentence.moved && (
            <button className="text-soft underline underline-offset-2" onClick={() => onTake(text, null)}>
              {told(sentence.moved)}, back to when it is said
            </button>
          )}
        </div>
      )}
    </li>
  );
}
