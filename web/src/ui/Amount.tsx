import { Slider } from 'radix-ui';
import { memo, useLayoutEffect, useRef, useState } from 'react';

interface Props {
  name: string;
  value: number;
  least: number;
  most: number;
  step?: number;
  /** While it is dragged. */
  onTry: (value: number) => void;
  /** When it is let go, or typed. */
  onKeep: (value: number) => void;
}

/**
 * A number that is dragged, typed, or moved by the arrow keys. Where forty of them stand side by side and one is
 * dragged, the others are not drawn anew.
 */
export function Amount({ onTry, onKeep, ...drawn }: Props) {
  const latest = useRef({ onTry, onKeep });
  useLayoutEffect(() => {
    latest.current = { onTry, onKeep };
  });
  const [acts] = useState(() => ({
    onTry: (value: number) => latest.current.onTry(value),
    onKeep: (value: number) => latest.current.onKeep(value),
  }));
  return <DrawnAmount {...drawn} {...acts} />;
}

const DrawnAmount = memo(function DrawnAmount({ name, value, least, most, step = 1, onTry, onKeep }: Props) {
  const within = (v: number) => Math.min(most, Math.max(least, Math.round(v / step) * step));
  return (
    <div className="grid grid-cols-[74px_1fr_46px] items-center gap-2">
      <span className="text-[12.5px]">{name}</span>
      <Slider.Root
        className="relative flex h-5 touch-none items-center"
        min={least}
        max={most}
        step={step}
        value={[value]}
        onValueChange={([next]) => onTry(next)}
        onValueCommit={([next]) => onKeep(within(next))}
      >
        <Slider.Track className="relative h-[3px] flex-1 rounded bg-rule">
          <Slider.Range className="absolute h-full rounded bg-steel" />
        </Slider.Track>
        <Slider.Thumb aria-label={name} className="block h-3.5 w-3.5 rounded-full bg-ink" />
      </Slider.Root>
      <input
        key={value}
        aria-label={`${name}, typed`}
        className="w-full rounded border border-rule bg-paper px-1 text-right text-[12px] tabular-nums"
        defaultValue={Number(value.toFixed(2))}
        inputMode="decimal"
        onBlur={(e) => {
          const typed = Number(e.target.value.replace(',', '.'));
          if (Number.isFinite(typed) && typed !== value) onKeep(within(typed));
          else e.target.value = String(Number(value.toFixed(2)));
        }}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
    </div>
  );
});
