import { useMemo } from 'react';
import { Tabs } from 'radix-ui';
import { FramePath, windowAt } from '../plate/framePath';
import { useLook } from '../plate/shownLook';
import type { StageProps } from '../workbench/stageView';
import { CameraChoice } from './CameraChoice';
import { cameraOf } from './cameras';
import { LayoutChoice } from './LayoutChoice';
import { LookPanel } from './LookPanel';
import { namesOf } from './names';
import { PeoplePanel } from './PeoplePanel';
import { PushInPanel } from './PushInPanel';
import { layoutAt } from './reach';
import { ReachChoice } from './ReachChoice';
import { useBackdropPicker } from './useBackdropPicker';
import { useFrameActs } from './useFrameActs';
import { useStanding } from './useStanding';
import { WholePicture } from './WholePicture';
import { WindowPanel } from './WindowPanel';

const TABS = [
  { value: 'window', name: 'Window' },
  { value: 'push-ins', name: 'Push-ins' },
  { value: 'picture', name: 'Picture' },
];

/** The whole picture with the window in it; who is seen, and for how long. */
export function FrameTop({ open: { clip, card, preview, transcript, clips } }: StageProps) {
  const standing = useStanding(clip!, preview, transcript);
  const acts = useFrameActs(standing, clips, card!);
  const path = useMemo(() => new FramePath(preview?.path ?? []), [preview]);
  const look = useLook(clip);
  const { withBackdrop, picker } = useBackdropPicker(clip!);
  const names = namesOf(card!);
  const shown = standing && windowAt(standing.segment.panes[0], 0);
  const camera = shown ? cameraOf(shown, card!.cameras) : 0;
  return (
    <>
      <WholePicture
        episode={card!}
        path={path}
        rate={preview ? preview.frameRateNumerator / preview.frameRateDenominator : 25}
        look={look}
        shape={clip!.framed.shape.width / clip!.framed.shape.height}
        held={standing?.segment.panes[0].person ?? -1}
        heldOn={camera}
        onPlaced={acts.hold}
        onChoose={(person) => acts.lay({ type: 'one', person })}
      />
      {card!.cameras.length > 1 && <CameraChoice clip={clip!} episode={card!} standing={standing} />}
      <div className="mt-3 mb-1.5 flex items-baseline justify-between">
        <h2 className="label">In the frame</h2>
        <span className="mr-auto ml-3">
          <PeoplePanel episode={card!} camera={camera} />
        </span>
        <ReachChoice standing={standing} names={names} clips={clips.length} />
      </div>
      <LayoutChoice
        people={card!.people}
        held={standing?.segment.panes[0].person ?? -1}
        value={layoutAt(clip!.framed, standing?.segment ?? null)}
        disabled={!standing}
        onChoose={(layout) =>
          layout.type === 'whole' && layout.ground === 'PICTURE'
            ? withBackdrop(() => acts.lay(layout))
            : acts.lay(layout)
        }
      />
      {picker}
      {card!.people.length === 0 && (
        <p className="mt-1.5 text-[12.5px] text-soft">
          No face was found in this episode, so the middle is held. Drag the window to where it should be.
        </p>
      )}
    </>
  );
}

/** The window, push-ins, the picture itself. */
export function FrameSide({ open: { clip, card, preview, transcript, clips } }: StageProps) {
  const standing = useStanding(clip!, preview, transcript);
  const acts = useFrameActs(standing, clips, card!);
  return (
    <Tabs.Root defaultValue="window" className="mt-3">
      <Tabs.List className="mb-2.5 flex gap-4 border-b border-rule" aria-label="What to change">
        {TABS.map((t) => (
          <Tabs.Trigger
            key={t.value}
            value={t.value}
            className="-mb-px border-b-2 border-transparent pb-1 text-soft data-[state=active]:border-accent data-[state=active]:font-semibold data-[state=active]:text-ink"
          >
            {t.name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value="window">
        <WindowPanel clip={clip!} episode={card!} standing={standing} acts={acts} />
      </Tabs.Content>
      <Tabs.Content value="push-ins">
        <PushInPanel clip={clip!} transcript={transcript} standing={standing} />
      </Tabs.Content>
      <Tabs.Content value="picture">
        <LookPanel
          clip={clip!}
          cameras={card!.cameras.length}
          people={card!.people.length}
          clips={clips.length}
          everyClip={acts.everyClip}
        />
      </Tabs.Content>
    </Tabs.Root>
  );
}
