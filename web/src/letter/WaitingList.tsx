import type { ClipState, TranscriptColumns } from '../api/client';
import { useChanges } from '../workbench/changes';
import { editName, waitingEdits } from './waitingEdits';

/** What was set of captions for words that are not heard now: it comes back with them, or is let go. */
export function WaitingList({ clip, transcript }: { clip: ClipState; transcript: TranscriptColumns }) {
  const { change } = useChanges();
  const waiting = waitingEdits(clip, transcript);
  if (!waiting.length) return null;
  const letGo = (words: number[]) => void change({ type: 'letCaptionsBe', words, about: null });
  return (
    <section className="grid gap-1.5 border-t border-rule pt-2 text-[12.5px]" aria-label="Waiting for their words">
      <h3 className="label">Waiting for their words</h3>
      <p className="text-soft">Set in captions at words that are not heard now. It comes back with them.</p>
      <ul className="grid gap-1">
        {waiting.map((w) => (
          <li key={w.wordId} className="flex items-baseline gap-2">
            <span className="font-serif text-[14px]">{w.said ?? '…'}</span>
            <span className="grow text-soft">
              {[...new Set(w.edits.map(editName))].join(', ')}
              {w.said === null && '; a correction took the word away'}
            </span>
            <button className="button button-small" onClick={() => letGo([w.wordId])}>
              Let go
            </button>
          </li>
        ))}
      </ul>
      {waiting.length > 1 && (
        <button className="button button-small justify-self-start" onClick={() => letGo(waiting.map((w) => w.wordId))}>
          Let all go
        </button>
      )}
    </section>
  );
}
