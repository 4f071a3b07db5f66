import type { ClipState, EpisodeCard } from '../api/client';
import { moves } from '../plate/framePath';
import { shapeText } from '../ui/shape';
import { useChanges } from '../workbench/changes';
import { Choice } from './Choice';
import { placed, useFraming, type Framed } from './framing';
import type { Standing } from './reach';
import type { FrameActs } from './useFrameActs';

const SHAPES = ['9:16', '4:5', '1:1', '16:9'];
type Liveliness = Framed['manner']['liveliness'];
type Tightness = Framed['manner']['tightness'];

const LIVELINESS: { value: Liveliness; name: string; title: string }[] = [
  { value: 'STILL', name: 'Still', title: 'It moves only where it must' },
  { value: 'CALM', name: 'Calm', title: 'It moves where somebody leaves its middle' },
  { value: 'LIVELY', name: 'Lively', title: 'It keeps whom it shows in its middle' },
];
const TIGHTNESS: { value: Tightness; name: string }[] = [
  { value: 'HEAD_AND_SHOULDERS', name: 'Head and shoulders' },
  { value: 'TO_THE_WAIST', name: 'To the waist' },
  { value: 'ALL', name: 'All there is' },
];

const DIVIDERS: { value: Framed['manner']['divider']; name: string }[] = [
  { value: 'NONE', name: 'Nothing' },
  { value: 'LINE', name: 'A line' },
  { value: 'BAND', name: 'A band' },
];

/** Shape, how the window moves, what lies between two of them, and what was set by hand. */
export function WindowPanel({
  clip,
  episode,
  standing,
  acts,
}: {
  clip: ClipState;
  episode: EpisodeCard;
  standing: Standing | null;
  acts: FrameActs;
}) {
  const { change } = useChanges();
  const { liveliness, tightness, divider } = clip.framed.manner;
  const manner = (next: Partial<Framed['manner']>) =>
    void change({ type: 'setManner', liveliness, tightness, divider, ...next });
  return (
    <div className="flex flex-wrap gap-x-8 gap-y-3">
      <Choice
        label="Shape"
        value={shapeText(clip.framed.shape)}
        options={SHAPES.map((s) => ({ value: s, name: s }))}
        onChoose={acts.reshape}
      />
      <Choice
        label="How it moves"
        value={liveliness}
        options={LIVELINESS}
        onChoose={(l) => manner({ liveliness: l })}
      />
      <Choice label="How near" value={tightness} options={TIGHTNESS} onChoose={(t) => manner({ tightness: t })} />
      {episode.people.length > 1 && (
        <Choice label="Between them" value={divider} options={DIVIDERS} onChoose={(d) => manner({ divider: d })} />
      )}
      <ByHand clip={clip} episode={episode} standing={standing} acts={acts} />
    </div>
  );
}

/** What was set by hand: here, and in all. */
function ByHand({
  clip,
  episode,
  standing,
  acts,
}: {
  clip: ClipState;
  episode: EpisodeCard;
  standing: Standing | null;
  acts: FrameActs;
}) {
  const travelFrom = useFraming((s) => s.travelFrom);
  const { set } = clip.framed;
  const here = standing && set.find((s) => s.id === standing.segment.setBy);
  const travel = () => {
    if (!standing) return;
    const window = standing.path.at(standing.segment.clipFrame);
    if (!window) return;
    useFraming.setState({ travelFrom: { window: placed(window, episode), atUs: Math.round(standing.atUs) } });
  };
  return (
    <div role="group" aria-label="By hand" className="min-w-[220px] flex-1">
      <h3 className="label">By hand</h3>
      {travelFrom ? (
        <p className="mt-1 text-[12.5px] text-soft">
          It travels from here. Go to a later word and place the window there, or{' '}
          <button className="link" onClick={() => useFraming.setState({ travelFrom: null })}>
            let it be
          </button>
          .
        </p>
      ) : (
        <p className="mt-1 text-[12.5px] text-soft">
          {set.length === 0
            ? `${sayStanding(standing)} Drag the window, or choose a face.`
            : `${set.length} ${set.length === 1 ? 'place is' : 'places are'} set by hand.`}
        </p>
      )}
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {here && (
          <button className="button button-small" onClick={() => acts.letGo([here.id])}>
            Let this one go
          </button>
        )}
        {set.length > 0 && (
          <button className="button button-small" onClick={() => acts.letGo(set.map((s) => s.id))}>
            Let all go
          </button>
        )}
        {!travelFrom && (
          <button className="button button-small" onClick={travel} disabled={!standing}>
            Travel from here
          </button>
        )}
      </div>
    </div>
  );
}

/** How much the window rests and moves, in words. */
function sayStanding(standing: Standing | null): string {
  const segments = standing?.path.segments ?? [];
  const moving = segments.filter(moves).length;
  const held = segments.length - moving;
  const positions = `${held} held position${held === 1 ? '' : 's'}`;
  return moving === 0
    ? `${positions}; the frame changes at turns and shots only.`
    : `${positions}; the window follows ${moving === 1 ? 'once' : `${moving} times`}.`;
}
