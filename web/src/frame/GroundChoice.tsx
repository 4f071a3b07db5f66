import type { ClipState } from '../api/client';
import type { Ground } from '../plate/framePath';
import { useMattesMade } from '../plate/Mattes';
import { useChanges } from '../workbench/changes';
import { Choice } from './Choice';
import { useBackdropPicker } from './useBackdropPicker';

const GROUNDS: { value: Ground | 'RECORDED'; name: string; title: string }[] = [
  { value: 'RECORDED', name: 'As recorded', title: 'The room as it is' },
  { value: 'SOFT', name: 'Soft', title: 'The room out of focus' },
  { value: 'DARK', name: 'Dark', title: 'One dark tone' },
  { value: 'LIGHT', name: 'Light', title: 'One light tone' },
  { value: 'PICTURE', name: 'A picture', title: 'A picture of yours, which fills the frame and stays where it is' },
];

/** What is seen behind people, and the picture that can be. */
export function GroundChoice({ clip, people }: { clip: ClipState; people: number }) {
  const { change } = useChanges();
  const made = useMattesMade();
  const { choose, withBackdrop, picker } = useBackdropPicker(clip);
  const { behind, backdrop } = clip.framed;
  const take = (ground: Ground | null) => void change({ type: 'changeBehind', ground });
  return (
    <div className="grid gap-1">
      {people > 0 && (
        <Choice
          label="Behind people"
          value={behind ?? 'RECORDED'}
          options={GROUNDS}
          onChoose={(value) =>
            value === 'PICTURE' ? withBackdrop(() => take(value)) : take(value === 'RECORDED' ? null : value)
          }
        />
      )}
      {picker}
      {backdrop && (
        <div className="flex items-center gap-1.5">
          <img
            src={`/api/backdrops/${backdrop.picture}`}
            alt="The backdrop"
            className="h-9 max-w-14 rounded border border-rule object-cover"
          />
          <button className="button button-small" onClick={() => choose(() => undefined)}>
            Another picture
          </button>
        </div>
      )}
      {behind && (
        <p className="text-[12.5px] text-soft" role="status" data-testid="cutting-out">
          {made?.problem
            ? `People could not be cut out: ${made.problem}`
            : made && made.made < made.all
              ? `Cutting people out: ${Math.round((100 * made.made) / made.all)} %, once, in about twice the clip’s length. The plate shows it where it is done.`
              : 'People are cut out. A file takes up to twice as long to render as without.'}
        </p>
      )}
    </div>
  );
}
