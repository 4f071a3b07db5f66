import { useState } from 'react';
import { Popover } from 'radix-ui';
import { api, type Brief, type Spec } from '../api/client';

/** What is wanted: typed as a sentence, or set number by number. */
export function BriefPanel({
  episodeId,
  brief,
  specs,
  onBrief,
}: {
  specs: Spec[];
  episodeId: number;
  brief: Brief;
  onBrief: (brief: Brief) => void;
}) {
  const [sentence, setSentence] = useState('');
  const [understood, setUnderstood] = useState<string[] | null>(null);
  const read = async () => {
    const answer = await api.readBrief(episodeId, sentence, brief);
    setUnderstood(answer.understood);
    onBrief(answer.brief);
  };
  const number = (value: number, set: (n: number) => void, label: string, width: string) => (
    <label className="flex items-center gap-1">
      <span className="text-soft">{label}</span>
      <input
        type="number"
        min={1}
        max={600}
        className={`field plain-number px-1.5 text-center ${width}`}
        value={value}
        onChange={(e) => Number(e.target.value) >= 1 && set(Number(e.target.value))}
      />
    </label>
  );
  return (
    <>
      <form
        className="mt-2.5"
        onSubmit={(e) => {
          e.preventDefault();
          void read();
        }}
      >
        <input
          className="field"
          placeholder="three clips under a minute about ice"
          aria-label="Say what you want"
          value={sentence}
          onChange={(e) => setSentence(e.target.value)}
        />
      </form>
      {understood && (
        <p className="mt-1 text-[12.5px] text-soft" data-testid="understood">
          {understood.length
            ? `Understood: ${understood.join('; ')}.`
            : 'Nothing of that was understood; it takes how many, how long, about what, what to avoid, or a share of the episode.'}
        </p>
      )}
      <div className="mt-2 flex items-center gap-1.5">
        {number(brief.count, (count) => onBrief({ ...brief, count }), 'Picks', 'w-[42px]')}
        {number(
          brief.shortest,
          (shortest) => shortest <= brief.longest && onBrief({ ...brief, shortest }),
          'of',
          'w-[46px]',
        )}
        {number(
          brief.longest,
          (longest) => longest >= brief.shortest && onBrief({ ...brief, longest }),
          'to',
          'w-[46px]',
        )}
        <span className="text-soft">s</span>
        <Popover.Root>
          <Popover.Trigger asChild>
            <button
              className="link ml-auto text-[12.5px]"
              title="Delivery specs that clips made of picks are asked for"
            >
              {brief.specs.length ? `${brief.specs.length} spec${brief.specs.length === 1 ? '' : 's'}` : 'specs'}
            </button>
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content className="panel w-[230px]" sideOffset={6} align="end">
              <p className="text-soft">Clips of this show are for</p>
              {specs.map((s) => (
                <label key={s.id} className="mt-1.5 flex items-center gap-2">
                  <input
                    type="checkbox"
                    checked={brief.specs.includes(s.id)}
                    onChange={(e) =>
                      onBrief({
                        ...brief,
                        specs: e.target.checked ? [...brief.specs, s.id] : brief.specs.filter((x) => x !== s.id),
                      })
                    }
                  />
                  {s.name}
                </label>
              ))}
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      </div>
      <div className="mt-1.5 grid grid-cols-2 gap-2">
        <Words label="about" words={brief.subjects} onWords={(subjects) => onBrief({ ...brief, subjects })} />
        <Words label="not about" words={brief.avoid} onWords={(avoid) => onBrief({ ...brief, avoid })} />
      </div>
      <div className="mt-1.5 flex items-center gap-2">
        <div className="flex-1">
          <Words
            label="words not to be heard"
            words={brief.unheard}
            onWords={(unheard) => onBrief({ ...brief, unheard })}
          />
        </div>
        <label
          className="flex items-center gap-1.5 text-soft"
          title="One clip of the highlights, in their order, instead of single picks"
        >
          <input
            type="checkbox"
            checked={brief.share !== null}
            onChange={(e) => onBrief({ ...brief, share: e.target.checked ? 0.2 : null })}
          />
          {brief.share === null ? (
            'a share of it'
          ) : (
            <>
              <input
                type="number"
                min={1}
                max={90}
                className="field w-[52px]"
                aria-label="Share of the episode, per cent"
                value={Math.round(brief.share * 100)}
                onChange={(e) =>
                  Number(e.target.value) >= 1 &&
                  Number(e.target.value) <= 90 &&
                  onBrief({ ...brief, share: Number(e.target.value) / 100 })
                }
              />
              % of it
            </>
          )}
        </label>
      </div>
    </>
  );
}

function Words({ label, words, onWords }: { label: string; words: string[]; onWords: (words: string[]) => void }) {
  const [text, setText] = useState(words.join(', '));
  const [shown, setShown] = useState(words);
  if (shown !== words) {
    setShown(words);
    setText(words.join(', '));
  }
  const keep = () => {
    const next = text
      .split(',')
      .map((w) => w.trim())
      .filter(Boolean);
    if (next.join() !== words.join()) onWords(next);
  };
  return (
    <input
      className="field"
      placeholder={label}
      aria-label={label}
      title={label}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => e.key === 'Enter' && keep()}
    />
  );
}
