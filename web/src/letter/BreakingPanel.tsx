import { useState } from 'react';
import type { Breaking, ClipState, Cue, Specimens } from '../api/client';
import { Choice } from '../frame/Choice';
import { amounts } from '../ui/amounts';
import { useChanges } from '../workbench/changes';
import { CAPTION_USES } from './captionUses';

const SECOND = 1e6;

/** How captions are broken in this clip, what is left out of them, and where they go. */
export function BreakingPanel({ clip, cues, specimens }: { clip: ClipState; cues: Cue[]; specimens: Specimens }) {
  const { change } = useChanges();
  const base = specimens.letterings.find((l) => l.id === clip.lettered.lettering)!.breaking;
  const kept = clip.lettered.breaking ?? base;
  const [tried, setTried] = useState<Breaking | null>(null);
  const now = tried ?? kept;
  const keep = (next: Partial<Breaking>) => {
    setTried(null);
    void change({ type: 'rebreak', breaking: { ...now, ...next } });
  };
  const { timing } = now;
  const amount = amounts<Partial<Breaking>>((part) => setTried({ ...now, ...part }), keep);
  const words = (most: number): Partial<Breaking> => ({
    words: most,
    sentences: false,
    timing: { ...timing, shortestUs: most === 1 ? 0 : timing.shortestUs || SECOND / 2 },
  });
  const leftOut = clip.lettered.leavesOut ?? { fillers: false, falseStarts: false };
  return (
    <div className="grid gap-3">
      <Choice
        label="A caption is"
        value={now.sentences ? 'sentence' : now.words === 1 ? 'word' : 'phrase'}
        options={[
          { value: 'word', name: 'one word' },
          { value: 'phrase', name: 'a phrase' },
          { value: 'sentence', name: 'a sentence' },
        ]}
        onChoose={(kind) =>
          keep(
            kind === 'word'
              ? words(1)
              : kind === 'phrase'
                ? words(base.words > 1 ? base.words : 6)
                : { ...words(40), sentences: true },
          )
        }
      />
      {!now.sentences && amount('Most words', now.words, 1, 20, words)}
      <Choice
        label="Lines"
        value={now.lines}
        options={[1, 2, 3].map((n) => ({ value: n, name: String(n) }))}
        onChoose={(lines) => keep({ lines })}
      />
      <Choice
        label="Of two lines"
        value={now.lineShape}
        options={[
          { value: 'EVEN', name: 'both alike' },
          { value: 'WIDE_LOWER', name: 'the lower is wider' },
        ]}
        onChoose={(lineShape) => keep({ lineShape })}
      />
      <div className="grid gap-1.5">
        {amount('Letters a line', now.characters, 4, 60, (characters) => ({ characters }))}
        {amount(
          'Shortest, s',
          timing.shortestUs / SECOND,
          0,
          3,
          (s) => ({ timing: { ...timing, shortestUs: Math.round(s * SECOND) } }),
          0.1,
        )}
        {amount(
          'Longest, s',
          timing.longestUs / SECOND,
          1,
          20,
          (s) => ({ timing: { ...timing, longestUs: Math.round(s * SECOND) } }),
          0.5,
        )}
        {amount(
          'Lingers, s',
          timing.lingerUs / SECOND,
          0,
          3,
          (s) => ({ timing: { ...timing, lingerUs: Math.round(s * SECOND) } }),
          0.05,
        )}
      </div>
      <button
        className="button button-small justify-self-start"
        disabled={!clip.lettered.breaking}
        onClick={() => void change({ type: 'rebreak', breaking: null })}
      >
        Back to the lettering’s way
      </button>
      <div className="border-t border-rule pt-2" role="group" aria-label="Left out of captions">
        <h3 className="label">Left out, still heard</h3>
        <div className="mt-1 flex gap-1.5">
          <button
            className="button button-small"
            aria-pressed={leftOut.fillers}
            onClick={() => void change({ type: 'leaveOut', ...leftOut, fillers: !leftOut.fillers })}
          >
            fillers
          </button>
          <button
            className="button button-small"
            aria-pressed={leftOut.falseStarts}
            onClick={() => void change({ type: 'leaveOut', ...leftOut, falseStarts: !leftOut.falseStarts })}
          >
            false starts
          </button>
        </div>
      </div>
      <Choice
        label="Captions go"
        value={clip.lettered.use ?? 'BOTH'}
        options={CAPTION_USES}
        onChoose={(use) => void change({ type: 'useCaptions', use })}
      />
      <Replace cues={cues} />
    </div>
  );
}

/** Other words in the captions alone. */
function Replace({ cues }: { cues: Cue[] }) {
  const { change } = useChanges();
  const [found, setFound] = useState('');
  const [by, setBy] = useState('');
  const words = cues.filter((c) => !c.added).flatMap((c) => c.lines.flat().map((w) => w.wordId));
  return (
    <form
      className="grid gap-1.5 border-t border-rule pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void change({ type: 'replaceInCaptions', words, found, by });
      }}
    >
      <h3 className="label">In the captions alone</h3>
      <input
        className="rounded border border-rule bg-paper px-2 py-1 text-[13px]"
        aria-label="Words in the captions"
        placeholder="these words"
        value={found}
        onChange={(e) => setFound(e.target.value)}
      />
      <input
        className="rounded border border-rule bg-paper px-2 py-1 text-[13px]"
        aria-label="What they are to read"
        placeholder="are to read"
        value={by}
        onChange={(e) => setBy(e.target.value)}
      />
      <button className="button button-small justify-self-start" disabled={!found.trim()}>
        Replace
      </button>
    </form>
  );
}
