import type { Style } from '../api/client';
import { Amount } from '../ui/Amount';
import { ColourInput } from './ColourInput';

type Colour = Style['text'];

/** A colour and how much of it is seen. */
export function ColourField({
  name,
  value,
  onTry,
  onKeep,
}: {
  name: string;
  value: Colour;
  onTry: (colour: Colour) => void;
  onKeep: (colour: Colour) => void;
}) {
  const percent = Math.round((value.alpha / 255) * 100);
  const alpha = (p: number) => ({ ...value, alpha: Math.round((p / 100) * 255) });
  return (
    <div className="grid gap-1">
      <label className="grid grid-cols-[74px_1fr] items-center gap-2 text-[12.5px]">
        {name}
        <ColourInput
          name={name}
          className="h-6 w-full rounded border border-rule bg-paper"
          value={value}
          onTry={onTry}
          onKeep={onKeep}
        />
      </label>
      <Amount
        name="Seen, %"
        value={percent}
        least={0}
        most={100}
        onTry={(p) => onTry(alpha(p))}
        onKeep={(p) => onKeep(alpha(p))}
      />
    </div>
  );
}
