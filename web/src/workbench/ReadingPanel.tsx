import { Popover } from 'radix-ui';
import { Type } from 'lucide-react';
import { TEXT_SIZES, useReading, type Paper } from './reading';

const PAPERS: [Paper, string][] = [
  ['system', 'as the system'],
  ['light', 'light'],
  ['dark', 'dark'],
];

/** Text size, paper, and whether the page follows what plays. */
export function ReadingPanel({ episodeId }: { episodeId: number }) {
  const { textSize, paper, follow } = useReading();
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="rounded p-1.5 hover:bg-desk" aria-label="Reading" title="Reading">
          <Type size={16} />
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[270px]" sideOffset={6} align="end">
          <div className="label">Text size</div>
          <div className="mt-1 flex gap-2">
            {TEXT_SIZES.map((size) => (
              <button
                key={size}
                className="button flex-1 font-serif"
                style={{ fontSize: size * 0.72 }}
                aria-label={`${size} pixels`}
                aria-pressed={size === textSize}
                onClick={() => useReading.setState({ textSize: size })}
              >
                Aa
              </button>
            ))}
          </div>
          <div className="label mt-3">Paper</div>
          <div className="mt-1 flex gap-2">
            {PAPERS.map(([id, name]) => (
              <button
                key={id}
                className="button flex-1"
                aria-pressed={id === paper}
                onClick={() => useReading.setState({ paper: id })}
              >
                {name}
              </button>
            ))}
          </div>
          <label className="mt-3 flex items-center gap-2">
            <input
              type="checkbox"
              checked={follow}
              onChange={(e) => useReading.setState({ follow: e.target.checked })}
            />{' '}
            follow what plays
          </label>
          <div className="label mt-3">Take the transcript along</div>
          <div className="mt-1 flex flex-wrap gap-x-3">
            {['txt', 'srt', 'vtt', 'ttml', 'json'].map((f) => (
              <a key={f} className="link" href={`/api/episodes/${episodeId}/transcript-file?format=${f}`}>
                {f}
              </a>
            ))}
            <a className="link" href={`/api/episodes/${episodeId}/transcript-file?format=txt&times=true`}>
              txt with times
            </a>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
