import { useState, type ReactNode } from 'react';

/** A form that lets somebody in: what was wrong is said under it, and nothing that was typed is lost. */
export function EntryForm({
  children,
  submit,
  onSubmit,
}: {
  children: ReactNode;
  submit: string;
  onSubmit: (typed: FormData) => Promise<void>;
}) {
  const [problem, setProblem] = useState('');
  const [asking, setAsking] = useState(false);
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        setAsking(true);
        onSubmit(new FormData(e.currentTarget))
          .then(() => setProblem(''))
          .catch((error: Error) => setProblem(error.message))
          .finally(() => setAsking(false));
      }}
    >
      {children}
      <button className="button button-strong justify-self-start" disabled={asking}>
        {submit}
      </button>
      {problem && (
        <p role="alert" className="text-accent">
          {problem}
        </p>
      )}
    </form>
  );
}
