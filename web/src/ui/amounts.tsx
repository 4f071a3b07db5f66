import { Amount } from './Amount';

/** Makes amounts that each change a part of something that is tried while they are dragged, and kept after. */
export const amounts =
  <Part,>(tryOut: (part: Part) => void, keep: (part: Part) => void) =>
  (name: string, value: number, least: number, most: number, part: (value: number) => Part, step = 1) => (
    <Amount
      key={name}
      name={name}
      value={value}
      least={least}
      most={most}
      step={step}
      onTry={(v) => tryOut(part(v))}
      onKeep={(v) => keep(part(v))}
    />
  );
