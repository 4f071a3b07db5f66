/** A number of a spec, typed; what is no number leaves it as it was. */
export function SpecNumber({
  name,
  value,
  unit,
  locked,
  empty,
  onKeep,
}: {
  name: string;
  value: number | null;
  unit: string;
  locked: boolean;
  /** What an empty field means; without it one cannot be empty. */
  empty?: string;
  onKeep: (value: number | null) => void;
}) {
  const shown = value === null ? '' : String(Number(value.toFixed(2)));
  return (
    <label className="grid grid-cols-[1fr_78px_60px] items-center gap-2 text-[12.5px]">
      <span>{name}</span>
      <input
        key={shown}
        className="field py-[3px] text-right tabular-nums"
        defaultValue={shown}
        placeholder={empty}
        disabled={locked}
        inputMode="decimal"
        onBlur={(e) => {
          const text = e.target.value.trim().replace(',', '.');
          const typed = Number(text);
          if (text === '' && empty !== undefined) onKeep(null);
          else if (text !== '' && Number.isFinite(typed) && typed !== value) onKeep(typed);
          else e.target.value = shown;
        }}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      <span className="text-soft">{unit}</span>
    </label>
  );
}
