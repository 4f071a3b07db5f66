import { useState } from 'react';
import type { MediaFile } from '../api/client';
import { sizeText } from '../ui/time';

/** Bundles of episodes that lie in the media folder, each opened by one press. */
export function OpenBundle({ bundles, onOpen }: { bundles: MediaFile[]; onOpen: (file: string) => Promise<void> }) {
  const [opening, setOpening] = useState<string | null>(null);
  if (bundles.length === 0) return null;
  const open = (file: string) => {
    setOpening(file);
    void onOpen(file).finally(() => setOpening(null));
  };
  return (
    <div className="mt-4 border-t border-rule pt-3">
      <span className="label">Or open an episode that was taken along</span>
      <ul className="mt-1">
        {bundles.map((b) => (
          <li key={b.name} className="flex items-center gap-3 py-1">
            <span className="flex-1 truncate">
              {b.name} <span className="text-soft">({sizeText(b.bytes)})</span>
            </span>
            <button
              className="button"
              aria-label={`Open ${b.name}`}
              disabled={opening !== null}
              onClick={() => open(b.name)}
            >
              {opening === b.name ? 'Opening …' : 'Open'}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
