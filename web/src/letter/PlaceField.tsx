import { useState } from 'react';
import type { CaptionDesk } from './captionActs';
import { firstWord } from './captions';
import { ownPlace, placedAt } from './ownPlace';
import { useCaptionStanding } from './useCaptionStanding';

/** Lets a caption, or all from it on, stand elsewhere than the others; where to is dragged on the plate. */
export function PlaceField({ desk, at }: { desk: CaptionDesk; at: number }) {
  const [reach, setReach] = useState<'this' | 'on'>('this');
  const standing = useCaptionStanding(desk.clip)?.place;
  const own = ownPlace(desk.clip, desk.cues, at);
  const cue = desk.cues[at];
  if (!standing || cue.added) return null;
  const reached = desk.cues.slice(at, reach === 'on' ? undefined : at + 1).filter((c) => !c.added);
  const choose = (elsewhere: boolean) =>
    elsewhere
      ? void desk.changes.change({ type: 'editCaptions', edits: placedAt(reached.map(firstWord), standing) })
      : void desk.changes.change({
          type: 'letCaptionsBe',
          words: reached.flatMap((c) => c.lines.flat().map((w) => w.wordId)),
          about: ['PLACE'],
        });
  return (
    <span className="flex items-center gap-1 rounded border border-rule px-1 text-[12px]">
      <select
        aria-label="Which captions stand there"
        className="bg-transparent text-[12px]"
        value={reach}
        onChange={(e) => setReach(e.target.value as typeof reach)}
      >
        <option value="this">This stands</option>
        <option value="on">All from here on stand</option>
      </select>
      <select
        aria-label="Where they stand"
        title="Elsewhere: drag it on the plate then"
        className="bg-transparent text-[12px]"
        value={own ? 'elsewhere' : 'there'}
        onChange={(e) => choose(e.target.value === 'elsewhere')}
      >
        <option value="there">with the others</option>
        <option value="elsewhere">elsewhere</option>
      </select>
    </span>
  );
}
