import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock } from '../ui/time';
import { useWorkbench } from '../workbench/store';

/** Where text and sound do not say the same, each place to be heard and gone to. */
export function MisfitList({ episodeId, transcript }: { episodeId: number; transcript: TranscriptColumns }) {
  const playback = usePlayback();
  const [open, setOpen] = useState(false);
  const found = useQuery({
    queryKey: ['misfits', episodeId, transcript.revision],
    queryFn: () => api.misfits(episodeId),
    placeholderData: (before) => before,
  });
  const unheard = found.data?.unheard ?? [];
  const untold = found.data?.untold ?? [];
  if (!unheard.length && !untold.length) return null;
  const goTo = (word: number, last: number) => {
    useWorkbench.getState().select(word, last);
    playback.seekEpisode(transcript.startUs[word]);
  };
  const wordAfter = (us: number) =>
    Math.max(
      0,
      transcript.startUs.findIndex((s) => s >= us),
    );
  return (
    <section
      className="border-b border-rule bg-desk px-5 py-1.5 text-[13px]"
      aria-label="Text and sound differ"
      data-testid="misfits"
    >
      <button className="link" aria-expanded={open} onClick={() => setOpen(!open)}>
        Text and sound differ at {unheard.length + untold.length}{' '}
        {unheard.length + untold.length === 1 ? 'place' : 'places'}: {open ? 'hide them' : 'show them'}
      </button>
      {open && (
        <ul className="mt-1 max-h-44 overflow-y-auto">
          {unheard.map((u) => (
            <li key={`u${u.first}`} className="flex items-baseline gap-3 border-t border-rule py-1">
              <span className="w-12 text-faint tabular-nums">{clock(transcript.startUs[u.first] ?? 0)}</span>
              <button
                className="flex-1 truncate text-left font-serif text-[15px] hover:text-accent"
                onClick={() => goTo(u.first, u.last)}
              >
                {u.text}
              </button>
              <span className="text-soft">in the text, not heard</span>
              <button
                className="link"
                onClick={() => playback.hear(transcript.startUs[u.first] - 500_000, transcript.endUs[u.last] + 500_000)}
              >
                hear it
              </button>
            </li>
          ))}
          {untold.map((s) => (
            <li key={`s${s.startUs}`} className="flex items-baseline gap-3 border-t border-rule py-1">
              <span className="w-12 text-faint tabular-nums">{clock(s.startUs)}</span>
              <button
                className="flex-1 text-left hover:text-accent"
                onClick={() => goTo(wordAfter(s.startUs), wordAfter(s.startUs))}
              >
                {((s.endUs - s.startUs) / 1e6).toFixed(1)} s in which something is said
              </button>
              <span className="text-soft">heard, not in the text</span>
              <button className="link" onClick={() => playback.hear(s.startUs - 300_000, s.endUs + 300_000)}>
                hear it
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
