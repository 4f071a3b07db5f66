import { Slider } from 'radix-ui';

const STEPS = 60;

/** How much of something, under its name; seen while it moves, kept when it is let go. */
export function AmountSlider({
  name,
  said,
  least,
  most,
  value,
  onTry,
  onKeep,
}: {
  name: string;
  /** The value in words. */
  said: string;
  least: number;
  most: number;
  value: number;
  onTry: (value: number) => void;
  onKeep: (value: number) => void;
}) {
  return (
    <label className="grid gap-1">
      <span className="label flex justify-between">
        {name}
        <span className="tabular-nums">{said}</span>
      </span>
      <Slider.Root
        className="relative flex h-5 w-full touch-none items-center"
        min={least}
        max={most}
        step={(most - least) / STEPS}
        value={[value]}
        onValueChange={([next]) => onTry(next)}
        onValueCommit={([next]) => onKeep(next)}
      >
        <Slider.Track className="relative h-[3px] flex-1 rounded bg-rule">
          <Slider.Range className="absolute h-full rounded bg-steel" />
        </Slider.Track>
        <Slider.Thumb aria-label={name} className="block h-4 w-4 rounded-full bg-ink" />
      </Slider.Root>
    </label>
  );
}
