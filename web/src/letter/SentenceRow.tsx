import { useState } from 'react';
import type { Sentence } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clockTenths } from '../ui/time';
import { directionOf, languageName } from './languages';

function mark(sentence: Sentence): string | null {
  if (sentence.changed) return 'said otherwise since';
  if (sentence.state === 'PROPOSED') return 'not looked at';
  return sentence.state === 'OPEN' ? 'open' : null;
}

/** A sentence with its translation; what is typed is kept when the field is left, and counts as looked at. */
export function SentenceRow({
  sentence,
  language,
  onTake,
}: {
  sentence: Sentence;
  language: string;
  onTake: (text: string) => void;
}) {
  const playback = usePlayback();
  // What was kept shows until the translation reads otherwise than it did; what is being typed, until it is kept.
  const [typed, setTyped] = useState<{ text: string; keptOver: string | null } | null>(null);
  const text = typed && (typed.keptOver === null || typed.keptOver === sentence.text) ? typed.text : sentence.text;
  const told = mark(sentence);
  const keep = () => {
    if (!typed || typed.keptOver !== null) return;
    if (typed.text.trim() === sentence.text) setTyped(null);
    else {
      setTyped({ text: typed.text, keptOver: sentence.text });
      onTake(typed.text);
    }
  };
  return (
    <li className="grid gap-1" data-sentence={sentence.first}>
      <div className="flex items-baseline gap-2">
        <button
          className="shrink-0 text-soft tabular-nums underline-offset-2 hover:underline"
          title="Goes there"
          onClick={() => playback.seek(sentence.played.startUs)}
        >
          {clockTenths(sentence.played.startUs)}
        </button>
        {told && (
          <span className={sentence.changed ? 'font-medium text-accent' : 'text-soft'}>
            {told}
            {told !== 'open' && (
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
        rows={Math.min(5, Math.max(2, Math.ceil(Math.max(text.length, sentence.source.length) / 30)))}
        value={text}
        onFocus={() => playback.seek(sentence.played.startUs)}
        onChange={(e) => setTyped({ text: e.target.value, keptOver: null })}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Escape') {
            setTyped(null);
          } else if (e.key === 'Enter') {
            e.preventDefault();
            e.currentTarget.blur();
          }
        }}
      />
    </li>
  );
}
