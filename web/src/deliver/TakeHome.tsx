import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery } from '@tanstack/react-query';
import { Download, FolderDown } from 'lucide-react';
import { api } from '../api/client';
import { CUT_LISTS } from '../ui/cutLists';
import { sizeText } from '../ui/time';
import type { SheetOf } from './useSheet';

type Format = [format: string, name: string];

const CAPTIONS: Format[] = [
  ['srt', 'SubRip'],
  ['vtt', 'WebVTT'],
  ['ttml', 'TTML'],
  ['ass', 'ASS'],
  ['txt', 'text'],
];
/** Formats that were chosen before, in this browser. */
function useChosen(key: string, formats: Format[], otherwise: string): [string[], (format: string) => void] {
  const [chosen, setChosen] = useState(() =>
    (localStorage.getItem(key) ?? otherwise).split(',').filter((f) => formats.some(([format]) => format === f)),
  );
  const toggle = (format: string) => {
    const next = chosen.includes(format) ? chosen.filter((f) => f !== format) : [...chosen, format];
    localStorage.setItem(key, next.join(','));
    setChosen(next);
  };
  return [chosen, toggle];
}

function Formats({
  label,
  formats,
  chosen,
  onToggle,
}: {
  label: string;
  formats: Format[];
  chosen: string[];
  onToggle: (format: string) => void;
}) {
  return (
    <div role="group" aria-label={label}>
      <div className="label">{label}</div>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {formats.map(([format, name]) => (
          <button
            key={format}
            className="button button-small"
            aria-pressed={chosen.includes(format)}
            onClick={() => onToggle(format)}
          >
            {name}
          </button>
        ))}
      </div>
    </div>
  );
}

/** All finished files at once, with what goes along: as one zip, or straight into a folder of the server's. */
export function TakeHome({ of }: { of: SheetOf }) {
  const [captions, toggleCaptions] = useChosen('captionsBeside', CAPTIONS, 'srt,vtt');
  const [cuts, toggleCuts] = useChosen('cutsBeside', CUT_LISTS, '');
  const address =
    'episode' in of
      ? `/api/episodes/${of.episode}/delivery.zip?`
      : `/api/delivery.zip?${of.shelf === null ? '' : `shelf=${of.shelf}&`}`;
  const along = `subtitles=${captions.join(',') || 'none'}&cuts=${cuts.join(',') || 'none'}`;
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="button flex items-center gap-1.5" data-testid="take-home">
          <Download size={14} /> Take home
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="panel grid w-[380px] gap-3.5"
          side="top"
          align="end"
          sideOffset={6}
          collisionPadding={12}
        >
          <Formats label="Captions beside the files" formats={CAPTIONS} chosen={captions} onToggle={toggleCaptions} />
          <Formats label="The cut of each clip" formats={CUT_LISTS} chosen={cuts} onToggle={toggleCuts} />
          <p className="text-[12.5px] text-soft">
            Each film brings its cover. Texts to post come along as a table and to be copied, with a report of what was
            checked{'episode' in of ? '' : '; each episode has a folder of its own'}.
          </p>
          <a
            className="button button-strong flex items-center justify-center gap-1.5"
            href={`${address}${along}`}
            data-testid="zip"
          >
            <Download size={14} /> All as one zip
          </a>
          {'episode' in of && <IntoFolder episodeId={of.episode} captions={captions} cuts={cuts} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function IntoFolder({ episodeId, captions, cuts }: { episodeId: number; captions: string[]; cuts: string[] }) {
  const proposed = useQuery({
    queryKey: ['delivery-folder', episodeId],
    queryFn: () => api.deliveryFolder(episodeId),
  }).data;
  const [typed, setTyped] = useState<string | null>(null);
  const [told, setTold] = useState('');
  const [isWriting, setIsWriting] = useState(false);
  const name = typed ?? proposed?.name ?? '';
  const write = async () => {
    setIsWriting(true);
    setTold('Writing …');
    try {
      const done = await api.writeDeliveryFolder(episodeId, { name, subtitles: captions, cuts, covers: true });
      setTold(`${done.files} files, ${sizeText(done.bytes)}, are in ${done.path}`);
    } catch (error) {
      setTold((error as Error).message);
    } finally {
      setIsWriting(false);
    }
  };
  return (
    <form
      className="border-t border-rule pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        void write();
      }}
    >
      <label className="label" htmlFor="out-folder">
        Or into a folder of the server
      </label>
      <div className="mt-1.5 flex gap-1.5">
        <input
          id="out-folder"
          className="field min-w-0 flex-1"
          value={name}
          maxLength={300}
          onChange={(e) => setTyped(e.target.value)}
        />
        <button className="button flex items-center gap-1.5" disabled={isWriting || !name.trim()}>
          <FolderDown size={14} /> Write
        </button>
      </div>
      <p className="mt-1.5 min-h-[1.3em] text-[12.5px] break-all text-soft" role="status">
        {told || proposed?.path}
      </p>
    </form>
  );
}
