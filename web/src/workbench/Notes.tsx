import { useState } from 'react';
import { X } from 'lucide-react';
import { useLine } from '../api/line';
import { useWorkbench } from './store';

/** What is to be said about the last thing done. */
export function Message() {
  const message = useWorkbench((s) => s.message);
  const away = useLine((s) => !s.server || !s.database);
  if (!message || away) return null;
  return (
    <div className="flex items-center justify-between border-b border-rule bg-wash px-5 py-2" role="alert">
      {message}
      <button aria-label="Dismiss" onClick={() => useWorkbench.setState({ message: null })}>
        <X size={15} />
      </button>
    </div>
  );
}

/** What did not go as it should when the episode was taken in; gone once it was seen. */
export function EpisodeProblem({ problem }: { problem: string | null }) {
  const [seen, setSeen] = useState(false);
  if (!problem || seen) return null;
  return (
    <div className="flex justify-between border-b border-rule bg-steelwash px-5 py-2">
      {problem}
      <button aria-label="Dismiss" onClick={() => setSeen(true)}>
        <X size={15} />
      </button>
    </div>
  );
}
