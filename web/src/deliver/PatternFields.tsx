import type { RefObject } from 'react';

interface Props {
  /** What a pattern can be made of. */
  fields: string[];
  pattern: string;
  /** Where it is typed. */
  typedIn: RefObject<HTMLInputElement | HTMLTextAreaElement | null>;
  onTyped: (pattern: string) => void;
}

/** Buttons that put a field into a pattern, where the cursor stands in it. */
export function PatternFields({ fields, pattern, typedIn, onTyped }: Props) {
  const put = (name: string) => {
    const at = typedIn.current?.selectionStart ?? pattern.length;
    onTyped(`${pattern.slice(0, at)}{${name}}${pattern.slice(at)}`);
    typedIn.current?.focus();
  };
  return (
    <div className="mt-1 flex flex-wrap gap-1">
      {fields.map((name) => (
        <button
          key={name}
          className="min-h-6 rounded border border-rule px-1.5 text-[11.5px] text-soft hover:text-ink"
          onMouseDown={(e) => e.preventDefault()}
          onClick={() => put(name)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
