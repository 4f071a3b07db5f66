import type { ClipState } from '../api/client';
import type { Ground } from '../plate/framePath';
import { useMattesMade } from '../plate/Mattes';
import { useChanges } from '../workbench/changes';
import { Choice } from './Choice';

const GROUNDS: { value: Ground | 'RECORDED'; name: string; title: string }[] = [
  { value: 'RECORDED', name: 'As recorded', title: 'The room as it is' },
  { value: 'SOFT', name: 'Soft', title: 'The room out of focus' },
  { value: 'DARK', name: 'Dark', title: 'One dark tone' },
  { value: 'LIGHT', name: 'Light', title: 'One light tone' },
];

/** What is seen behind people. */
export function GroundChoice({ clip, people }: { clip: ClipState; people: number }) {
  const { change } = useChanges();
  const made = useMattesMade();
  const { behind } = clip.framed;
  if (people === 0) return null;
  return (
    <div className="grid gap-1">
      <Choice
        label="Behind people"
        value={behind ?? 'RECORDED'}
        options={GROUNDS}
        onChoose={(value) => void change({ type: 'changeBehind', ground: value === 'RECORDED' ? null : value })}
      />
      {behind && (
        <p className="text-[12.5px] text-soft" role="status" data-testid="cutting-out">
          {made?.problem
            ? `People could not be cut out: ${made.problem}`
            : made && made.made < made.all
              ? `Cutting people out: ${Math.round((100 * made.made) / made.all)} %, once, in about twice the clip’s length. The plate shows it where it is done.`
              : 'People are cut out. A file takes hardly longer to render than without.'}
        </p>
      )}
    </div>
  );
}
