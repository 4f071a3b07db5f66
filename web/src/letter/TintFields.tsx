import type { Style } from '../api/client';
import { ColourField } from './ColourField';

type Tints = Style['tints'];
type Colour = Style['text'];

const colour = (red: number, green: number, blue: number): Colour => ({ red, green, blue, alpha: 255 });

/** Colours that are begun with; light, since captions mostly stand on a dark outline or box. */
const BEGUN = [
  colour(244, 238, 226),
  colour(242, 179, 91),
  colour(140, 197, 232),
  colour(168, 213, 162),
  colour(232, 160, 168),
  colour(201, 180, 234),
];

/** Colours of who speaks, and of numbers. */
export function TintFields({
  tints,
  speakers,
  onTry,
  onKeep,
}: {
  tints: Tints;
  speakers: string[];
  onTry: (tints: Tints) => void;
  onKeep: (tints: Tints) => void;
}) {
  const shown = speakers.slice(0, 24);
  const one = (place: number, chosen: Colour): Tints => ({
    ...tints,
    speakers: shown.map((_, i) => (i === place ? chosen : (tints.speakers[i] ?? BEGUN[i % BEGUN.length]))),
  });
  const differ = tints.speakers.length > 0;
  return (
    <>
      <div className="flex flex-wrap gap-1.5">
        <button
          className="button button-small"
          aria-pressed={differ}
          disabled={!shown.length}
          onClick={() => onKeep({ ...tints, speakers: differ ? [] : shown.map((_, i) => BEGUN[i % BEGUN.length]) })}
        >
          Speakers differ
        </button>
        <button
          className="button button-small"
          aria-pressed={tints.numbers !== null}
          onClick={() => onKeep({ ...tints, numbers: tints.numbers ? null : BEGUN[1] })}
        >
          Numbers differ
        </button>
      </div>
      {differ &&
        shown.map((name, i) => (
          <ColourField
            key={i}
            name={name || `Speaker ${i + 1}`}
            value={tints.speakers[i] ?? BEGUN[i % BEGUN.length]}
            onTry={(c) => onTry(one(i, c))}
            onKeep={(c) => onKeep(one(i, c))}
          />
        ))}
      {tints.numbers && (
        <ColourField
          name="Numbers"
          value={tints.numbers}
          onTry={(numbers) => onTry({ ...tints, numbers })}
          onKeep={(numbers) => onKeep({ ...tints, numbers })}
        />
      )}
    </>
  );
}
