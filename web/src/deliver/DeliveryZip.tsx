import { useState } from 'react';
import { Download } from 'lucide-react';

const FORMATS = [
  { format: 'srt', name: 'SubRip' },
  { format: 'vtt', name: 'WebVTT' },
  { format: 'ttml', name: 'TTML' },
  { format: 'ass', name: 'ASS' },
  { format: 'txt', name: 'text' },
];
const KEPT = 'captionsBeside';

const kept = () =>
  (localStorage.getItem(KEPT) ?? 'srt,vtt').split(',').filter((f) => FORMATS.some((x) => x.format === f));

/** All finished files in one, with their captions beside them in the chosen formats. */
export function DeliveryZip({ episodeId }: { episodeId: number }) {
  const [chosen, setChosen] = useState(kept);
  const toggle = (format: string) => {
    const next = chosen.includes(format) ? chosen.filter((f) => f !== format) : [...chosen, format];
    localStorage.setItem(KEPT, next.join(','));
    setChosen(next);
  };
  return (
    <span className="flex items-center gap-1.5" role="group" aria-label="Captions beside the files as">
      <span className="text-[12.5px] whitespace-nowrap text-soft">captions as</span>
      {FORMATS.map(({ format, name }) => (
        <button
          key={format}
          className="button button-small"
          aria-pressed={chosen.includes(format)}
          onClick={() => toggle(format)}
        >
          {name}
        </button>
      ))}
      <a
        className="button flex items-center gap-1.5"
        href={`/api/episodes/${episodeId}/delivery.zip?subtitles=${chosen.join(',') || 'none'}`}
        data-testid="zip"
      >
        <Download size={14} /> Zip
      </a>
    </span>
  );
}
