/** A line of such a form. */
export function EntryField({
  name,
  label,
  hint,
  secret,
  autoComplete,
  autoFocus,
}: {
  name: string;
  label: string;
  hint?: string;
  secret?: boolean;
  autoComplete: string;
  autoFocus?: boolean;
}) {
  return (
    <label className="grid gap-1">
      <span className="label">{label}</span>
      <input
        name={name}
        type={secret ? 'password' : 'text'}
        className="field"
        autoComplete={autoComplete}
        autoFocus={autoFocus}
        maxLength={200}
        required
      />
      {hint && <span className="text-[12.5px] text-soft">{hint}</span>}
    </label>
  );
}

/** What was typed into a line. */
export const typedIn = (typed: FormData, name: string) => String(typed.get(name) ?? '');
