import { useRef } from 'react';
import { X } from 'lucide-react';
import { api, type Specimens } from '../api/client';
import { useAsking } from '../ui/useAsking';

type Typeface = Specimens['typefaces'][number];

/** What a typeface is called where one is chosen. */
export const nameOf = ({ family, bold, italic, own }: Typeface) =>
  own === null ? family : [family, bold && 'bold', italic && 'italic'].filter(Boolean).join(', ');

/** Fonts of one's own: added, and removed again. */
export function OwnFonts({ typefaces }: { typefaces: Typeface[] }) {
  const picker = useRef<HTMLInputElement>(null);
  const { problem, ask } = useAsking('letterings');
  const own = typefaces.filter((t) => t.own !== null);
  return (
    <div className="grid gap-1 text-[12.5px]" role="group" aria-label="Fonts of your own">
      {own.map((t) => (
        <div key={t.own} className="flex items-baseline gap-2" data-testid="own-font">
          <span className="min-w-0 flex-1">
            <b className="font-semibold">{nameOf(t)}</b>
            {t.lacks && <span className="text-soft"> has no {lacking(t.lacks)}; those come from another font</span>}
          </span>
          <button
            aria-label={`Remove ${nameOf(t)}`}
            title="What is set in it is set in another font until it is added again"
            className="grid h-6 w-6 shrink-0 place-items-center text-soft"
            onClick={() => void ask(() => api.removeFont(t.own!))}
          >
            <X size={14} />
          </button>
        </div>
      ))}
      <input
        ref={picker}
        type="file"
        className="hidden"
        accept=".ttf,.otf,.woff"
        aria-label="Font file"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void ask(() => api.addFont(file));
        }}
      />
      <button className="button button-small justify-self-start" onClick={() => picker.current?.click()}>
        Add a font of your own
      </button>
      {problem && (
        <p role="alert" className="text-accent">
          {problem}
        </p>
      )}
    </div>
  );
}

/** Some of the letters, and how many more there are. */
function lacking(letters: string): string {
  const all = [...letters];
  return all.length > 12 ? `${all.slice(0, 12).join(' ')} and ${all.length - 12} more` : all.join(' ');
}
