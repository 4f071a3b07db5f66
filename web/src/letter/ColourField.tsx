import type { Style } from '../api/client';
import { Amount } from '../ui/Amount';

type Colour = Style['text'];

const two = (part: number) => part.toString(16).padStart(2, '0');
const hex = (c: Colour) => `#${two(c.red)}${two(c.green)}${two(c.blue)}`;

function withHex(colour: Colour, written: string): Colour {
  const all = parseInt(written.slice(1), 16);
  return { ...colour, red: all >> 16, green: (all >> 8) & 255, blue: all & 255 };
}

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
        <input
          type="color"
          className="h-6 w-full rounded border border-rule bg-paper"
          value={hex(value)}
          onInput={(e) => onTry(withHex({ ...value, alpha: value.alpha || 255 }, e.currentTarget.value))}
          onBlur={(e) => e.target.value !== hex(value) || onKeep(value)}
          onChange={(e) => onKeep(withHex({ ...value, alpha: value.alpha || 255 }, e.target.value))}
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
