import type { ReactNode } from 'react';

/** One of several: a row of buttons under a label. */
export function Choice<T extends string | number>({
  label,
  value,
  options,
  onChoose,
  children,
}: {
  label: string;
  value: T | null;
  options: { value: T; name: ReactNode; title?: string }[];
  onChoose: (value: T) => void;
  children?: ReactNode;
}) {
  return (
    <div role="group" aria-label={label}>
      <h3 className="label">{label}</h3>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {options.map((o) => (
          <button
            key={o.value}
            className="button button-small"
            aria-pressed={o.value === value}
            title={o.title}
            onClick={() => onChoose(o.value)}
          >
            {o.name}
          </button>
        ))}
        {children}
      </div>
    </div>
  );
}
