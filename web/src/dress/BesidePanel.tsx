import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type TranscriptColumns } from '../api/client';
import { joined } from '../ui/spacing';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';

const LONGEST = 120;

/** Text in the picture that is no caption: names of those who speak, and call-outs. */
export function BesidePanel({ clip, transcript }: { clip: ClipState; transcript: TranscriptColumns }) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <NamesFields clip={clip} transcript={transcript} />
      <CallOutFields clip={clip} transcript={transcript} />
    </div>
  );
}

function Letterings({ label, value, onChoose }: { label: string; value: string; onChoose: (id: string) => void }) {
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity }).data;
  return (
    <select className="field text-[12.5px]" aria-label={label} value={value} onChange={(e) => onChoose(e.target.value)}>
      {letterings?.letterings.map((l) => (
        <option key={l.id} value={l.id}>
          set in {l.name}
        </option>
      ))}
    </select>
  );
}

function NamesFields({ clip, transcript }: { clip: ClipState; transcript: TranscriptColumns }) {
  const { change } = useChanges();
  const [wanted, setWanted] = useState<typeof clip.laidOver.names | null>(null);
  const names = wanted ?? clip.laidOver.names;
  const keep = (part: Partial<typeof names>) => {
    const next = { ...names, ...part };
    setWanted(next);
    void change({ type: 'showNames', names: next }).finally(() => setWanted(null));
  };
  return (
    <section className="grid gap-1.5" aria-label="Names">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-[var(--steel)]"
          checked={names.shown}
          onChange={(e) => keep({ shown: e.target.checked })}
        />
        Names of those who speak
      </label>
      {names.shown && (
        <>
          <Letterings label="Names are" value={names.lettering} onChoose={(lettering) => keep({ lettering })} />
          <label className="grid grid-cols-[1fr_78px_60px] items-center gap-2 text-[12.5px]">
            <span>Each for</span>
            <input
              key={names.seconds}
              className="field py-[3px] text-right tabular-nums"
              type="number"
              min={1}
              max={10}
              step={0.5}
              defaultValue={names.seconds}
              onBlur={(e) => {
                const seconds = Number(e.target.value);
                if (seconds >= 1 && seconds <= 10) {
                  if (seconds !== names.seconds) keep({ seconds });
                } else e.target.value = String(names.seconds);
              }}
              onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
            />
            <span className="text-soft">s</span>
          </label>
        </>
      )}
      <p className="text-[12.5px] text-soft">
        {transcript.speakers.length
          ? 'Each is shown when it is first heard in the clip, clear of faces and captions.'
          : 'Nobody is named yet: press the name above a paragraph of the text to say who speaks.'}
      </p>
    </section>
  );
}

function CallOutFields({ clip, transcript }: { clip: ClipState; transcript: TranscriptColumns }) {
  const { change } = useChanges();
  const selection = useWorkbench((s) => s.selection);
  const { callOuts, callOutLettering } = clip.laidOver;
  const first = selection && Math.min(selection.anchor, selection.focus);
  const last = selection && Math.max(selection.anchor, selection.focus);
  const said = first !== null && last !== null ? joined(transcript.text.slice(first, last + 1)) : '';
  const at = (id: number) => transcript.ids.indexOf(id);
  const shown = [...callOuts].sort((a, b) => at(a.firstWord) - at(b.firstWord));
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-2 border-t border-rule pt-3" aria-label="Call-outs">
      <span className="label">Call-outs</span>
      {first !== null && last !== null ? (
        <NewCallOut
          key={`${first} ${last}`}
          proposed={said.slice(0, LONGEST)}
          onAdd={(text) => void change({ type: 'callOut', first, last, text })}
        />
      ) : (
        <p className="text-[12.5px] text-soft">
          Select the words that one goes with; it stands in the picture while they are said.
        </p>
      )}
      {shown.length > 0 && (
        <>
          <Letterings
            label="Call-outs are"
            value={callOutLettering}
            onChoose={(lettering) => void change({ type: 'setCallOuts', lettering })}
          />
          <ul className="border-t border-rule" data-testid="call-outs">
            {shown.map((c) => (
              <li key={c.firstWord} className="flex items-baseline gap-2 border-b border-rule py-1.5">
                <button
                  className="min-w-0 flex-1 truncate text-left hover:underline"
                  title="Select its words"
                  onClick={() => useWorkbench.getState().select(at(c.firstWord), at(c.lastWord))}
                >
                  {c.text}
                </button>
                <button
                  className="link min-h-[24px] text-[12.5px]"
                  aria-label={`Take away: ${c.text}`}
                  onClick={() => void change({ type: 'dropCallOut', firstWord: c.firstWord })}
                >
                  take away
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function NewCallOut({ proposed, onAdd }: { proposed: string; onAdd: (text: string) => void }) {
  const [text, setText] = useState(proposed);
  return (
    <form
      className="flex gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        onAdd(text);
      }}
    >
      <input
        className="field min-w-0 flex-1"
        aria-label="What the call-out says"
        value={text}
        maxLength={LONGEST}
        onChange={(e) => setText(e.target.value)}
      />
      <button className="button button-small" disabled={!text.trim()}>
        Call out
      </button>
    </form>
  );
}
