import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type KeyWord } from '../api/client';
import { assertNever } from '../ui/assertNever';
import { useChanges } from '../workbench/changes';

function why({ why: reason }: KeyWord): string {
  switch (reason) {
    case 'SUBJECT':
      return 'one of the brief’s subjects';
    case 'NAME':
      return 'a name';
    case 'NUMBER':
      return 'a number';
    case 'RARE':
      return 'seldom said in this episode';
    default:
      return assertNever(reason);
  }
}

/** Words that could stand out, each with its reason; chosen one by one or all at once. */
export function KeyWordPanel({ clip }: { clip: ClipState }) {
  const { change } = useChanges();
  const proposed = useQuery({
    queryKey: ['keyWords', clip.id, clip.revision],
    queryFn: () => api.keyWords(clip.id),
    staleTime: Infinity,
    gcTime: 30_000,
    placeholderData: (before) => before,
  });
  const chosen = new Set((clip.lettered.edits[''] ?? []).filter((e) => e.type === 'key').map((e) => e.wordId));
  const words = proposed.data ?? [];
  const left = words.filter((w) => !chosen.has(w.wordId));
  const choose = (ids: number[]) =>
    void change({ type: 'editCaptions', edits: ids.map((wordId) => ({ type: 'key' as const, wordId })) });
  const letBe = (ids: number[]) => void change({ type: 'letCaptionsBe', words: ids, about: ['KEY'] });
  if (!words.length)
    return <p className="text-[12.5px] text-soft">Nothing stands out by itself; select words and press V.</p>;
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-1.5">
        {words.map((w) => (
          <button
            key={w.wordId}
            className="button button-small"
            aria-pressed={chosen.has(w.wordId)}
            title={why(w)}
            onClick={() => (chosen.has(w.wordId) ? letBe([w.wordId]) : choose([w.wordId]))}
          >
            {w.text.replace(/[.,;:!?…]+$/, '')}
          </button>
        ))}
      </div>
      <div className="flex gap-1.5">
        <button
          className="button button-small"
          disabled={!left.length}
          onClick={() => choose(left.map((w) => w.wordId))}
        >
          All of them
        </button>
        <button className="button button-small" disabled={!chosen.size} onClick={() => letBe([...chosen])}>
          None
        </button>
      </div>
    </div>
  );
}
