import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type Cue, type Lettering } from '../api/client';
import { useChanges } from '../workbench/changes';

/** Above this many characters a second a viewer is warned for (common practice). */
const FASTEST_READING = 20;

/** The letterings as a specimen sheet, each set in the clip's own line; and the captions. */
export function LetterSide({ clip, cues }: { clip: ClipState; cues: Cue[] | null }) {
  const { change } = useChanges();
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity });
  const first = cues?.[0]?.lines.flat().map((w) => w.text) ?? [];
  const fast = cues?.filter((c) => c.charactersPerSecond > FASTEST_READING).length ?? 0;
  return (
    <section className="mt-4 border-t border-rule pt-3">
      <h2 className="label">Letterings</h2>
      <div className="mt-1.5 grid gap-2">
        {letterings.data?.map((l) => (
          <button
            key={l.id}
            className="button text-left"
            aria-pressed={clip.lettered.lettering === l.id}
            onClick={() => void change({ type: 'letter', lettering: l.id })}
          >
            <span className="text-[12px] text-soft">{l.name}</span>
            <Specimen lettering={l} words={first.slice(0, 4)} />
          </button>
        ))}
      </div>
      <p className="mt-3 text-[12.5px] text-soft">
        {cues?.length ?? 0} captions
        {fast ? `, ${fast} faster than ${FASTEST_READING} characters a second` : ', all slow enough to read'}
      </p>
    </section>
  );
}

function Specimen({ lettering, words }: { lettering: Lettering; words: string[] }) {
  const colour = (c: Lettering['text']) => `rgb(${c.red} ${c.green} ${c.blue} / ${c.alpha / 255})`;
  return (
    <span
      className="mt-1 flex h-12 items-center justify-center gap-1.5 overflow-hidden rounded bg-[#5d6c70] px-2"
      style={{ fontFamily: lettering.id === 'sluice' ? 'Sluice specimen' : 'Ledger specimen', fontSize: 19 }}
    >
      <span className="flex gap-1.5 rounded-sm px-1" style={{ background: colour(lettering.ground) }}>
        {words.map((w, i) => (
          <span
            key={i}
            style={
              i === 1
                ? {
                    color: colour(lettering.mark.text),
                    background: lettering.mark.type === 'box' ? colour(lettering.mark.ground) : undefined,
                    padding: '0 3px',
                  }
                : {
                    color: colour(lettering.text),
                    WebkitTextStroke: lettering.edge.width ? `4px ${colour(lettering.edge.colour)}` : undefined,
                    paintOrder: 'stroke',
                  }
            }
          >
            {w}
          </span>
        ))}
      </span>
    </span>
  );
}
