import { useQuery, useQueryClient } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { api, type Chapter } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { usePlayhead } from '../plate/playhead';
import { clock } from '../ui/time';

/** Where the episode turns to another subject: proposed, changed by hand, taken along. */
export function ChapterList({ episodeId }: { episodeId: number }) {
  const playback = usePlayback();
  const queries = useQueryClient();
  const list = useQuery({ queryKey: ['chapters', episodeId], queryFn: () => api.chapters(episodeId) });
  const settle = async (chapters: Chapter[]) => {
    const answer = await api.settleChapters(
      episodeId,
      [...chapters].sort((a, b) => a.startUs - b.startUs),
    );
    queries.setQueryData(['chapters', episodeId], answer);
  };
  if (!list.data) return <p className="mt-3 text-soft">Reading the episode</p>;
  const { chapters, settled } = list.data;
  return (
    <div className="mt-2">
      <p className="text-[12.5px] text-soft">
        {settled
          ? 'As you settled them.'
          : 'Proposed from where the talk turns to other words. Change one and all are settled.'}
      </p>
      <ol className="mt-1">
        {chapters.map((c) => (
          <li key={c.startUs} className="flex items-center gap-2 border-b border-rule py-1.5" data-testid="chapter">
            <button
              className="w-12 text-left text-[12.5px] text-soft tabular-nums hover:text-accent"
              onClick={() => playback.seekEpisode(c.startUs)}
            >
              {clock(c.startUs)}
            </button>
            <input
              className="field flex-1 font-serif"
              defaultValue={c.title}
              aria-label={`Title of the chapter at ${clock(c.startUs)}`}
              onBlur={(e) =>
                e.target.value.trim() &&
                e.target.value !== c.title &&
                void settle(chapters.map((x) => (x.startUs === c.startUs ? { ...x, title: e.target.value.trim() } : x)))
              }
              onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
            />
            <button
              aria-label={`Remove the chapter at ${clock(c.startUs)}`}
              className="text-faint"
              onClick={() => void settle(chapters.filter((x) => x.startUs !== c.startUs))}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ol>
      <div className="mt-3 flex flex-wrap gap-x-3 gap-y-1 text-[13px]">
        <button
          className="link"
          onClick={() =>
            void settle([...chapters, { startUs: Math.round(usePlayhead.getState().episodeUs), title: 'New chapter' }])
          }
        >
          one from here
        </button>
        {settled && (
          <button className="link" onClick={() => void settle([])}>
            propose again
          </button>
        )}
        <span className="ml-auto flex gap-3">
          {['txt', 'vtt', 'ffmetadata'].map((f) => (
            <a key={f} className="link" href={`/api/episodes/${episodeId}/chapters/file?format=${f}`}>
              {f}
            </a>
          ))}
        </span>
      </div>
    </div>
  );
}
