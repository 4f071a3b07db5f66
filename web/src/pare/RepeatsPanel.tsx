import { useQuery } from '@tanstack/react-query';
import { Play } from 'lucide-react';
import { api, type ClipState } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock, secondsText } from '../ui/time';
import { useChanges } from '../workbench/changes';

/** Lines said more than once, attempt by attempt; one of each group stays. */
export function RepeatsPanel({ clip, repeatsUs, open }: { clip: ClipState; repeatsUs: number; open: number }) {
  const playback = usePlayback();
  const { change } = useChanges();
  const found = useQuery({
    queryKey: ['repeats', clip.id, clip.revision],
    queryFn: () => api.repeats(clip.id),
    placeholderData: (before) => before,
  });
  if (!found.data) return <p className="text-soft">Listening for repeats</p>;
  if (!found.data.length)
    return (
      <p className="text-soft">
        No attempt is made twice in this clip. A whole sentence said again without a pause counts as meant.
      </p>
    );
  return (
    <>
      <div className="flex items-center justify-between">
        <span data-testid="repeat-count">
          {open ? `${open} said more than once, ${secondsText(repeatsUs)}` : 'One attempt of each is kept.'}
        </span>
        <button
          className="button button-strong"
          disabled={!open}
          onClick={() => void change({ type: 'pareRepeats' })}
          data-testid="pare-repeats"
        >
          Keep the last of each
        </button>
      </div>
      {found.data.map((group) => (
        <fieldset key={group.group} className="mt-3 border-t border-rule pt-2">
          <legend className="sr-only">{group.attempts[0].text}</legend>
          {group.attempts.map((a, i) => (
            <div key={a.first} className="flex items-start gap-2 py-1">
              <input
                type="radio"
                className="mt-1.5"
                name={`repeat-${group.group}`}
                aria-label={`Keep the attempt at ${clock(a.startUs)}`}
                checked={a.kept && group.attempts.filter((x) => x.kept).length === 1}
                onChange={() => void change({ type: 'keepAttempt', group: group.group, attempt: i })}
              />
              <button
                className="mt-1 rounded p-0.5 text-soft hover:text-accent"
                aria-label={`Hear the attempt at ${clock(a.startUs)}`}
                onClick={() => playback.hear(a.startUs - 100_000, a.endUs + 200_000)}
              >
                <Play size={13} />
              </button>
              <span className="w-11 shrink-0 pt-0.5 text-[12px] text-faint tabular-nums">{clock(a.startUs)}</span>
              <span className={`flex-1 font-serif text-[15px] leading-snug ${a.kept ? '' : 'text-faint line-through'}`}>
                {a.text}
              </span>
              <span className="pt-0.5 text-[12px] text-soft tabular-nums">{secondsText(a.endUs - a.startUs)}</span>
            </div>
          ))}
        </fieldset>
      ))}
    </>
  );
}
