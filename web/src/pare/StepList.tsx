import { useQuery } from '@tanstack/react-query';
import { api, type ClipState } from '../api/client';
import { whenText } from '../ui/whenText';

/** What was done to the clip last, and by whom; nobody by name where it was done at the server. */
export function StepList({ clip }: { clip: ClipState }) {
  const steps = useQuery({
    queryKey: ['steps', clip.id, clip.revision],
    queryFn: () => api.steps(clip.id),
    placeholderData: (before) => before,
  }).data;
  if (!steps?.length) return null;
  return (
    <details className="mt-3">
      <summary className="label cursor-pointer">Who did what</summary>
      <ol className="mt-1 max-h-56 overflow-y-auto" aria-label="Steps, newest first">
        {steps.map((s) => (
          <li key={s.step} className="flex gap-3 border-b border-rule py-1">
            <span className="flex-1">{s.name}</span>
            {s.author && <span className="text-soft">{s.author}</span>}
            <span className="text-[12px] text-faint tabular-nums">{whenText(s.at)}</span>
          </li>
        ))}
      </ol>
    </details>
  );
}
