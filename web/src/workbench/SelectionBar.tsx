import { keyFor, keyName } from '../keyboard/keyMap';
import type { StageProps } from './stageView';
import { ordered, useWorkbench } from './store';

/** What can be done with the words that are selected. */
export function SelectionBar({ open: { clip }, acts }: StageProps) {
  const selection = useWorkbench((s) => s.selection);
  if (clip) return <span className="font-serif text-[15px] font-semibold">{clip.delivered.title}</span>;
  if (!selection) return <span className="text-soft">Read, listen, select words to make a clip.</span>;
  const [first, last] = ordered(selection);
  const words = last - first + 1;
  return (
    <span className="flex items-center gap-3">
      <span className="text-soft">
        {words} word{words === 1 ? '' : 's'} selected
      </span>
      <button className="button button-strong" onClick={() => void acts.keepWords(first, last, true)}>
        Make it a clip
      </button>
      <button
        className="button"
        onClick={acts.gatherSelected}
        title={`Gather these words for a clip put together from several places (${keyName(keyFor('g'))})`}
      >
        Gather
      </button>
    </span>
  );
}
