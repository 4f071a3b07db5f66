import { NoClip } from '../workbench/NoClip';
import { SelectionBar } from '../workbench/SelectionBar';
import type { StageProps, StageView } from '../workbench/stageView';
import { ClipMenu } from './ClipMenu';
import { framePieces } from './frameLane';
import { namesOf } from './names';
import { FrameSide, FrameTop } from './FrameSide';

function Bar(props: StageProps) {
  return props.open.clip ? <ClipMenu {...props} /> : <SelectionBar {...props} />;
}

function Side(props: StageProps) {
  if (!props.open.clip) return <NoClip {...props} />;
  return props.open.card && <FrameSide {...props} />;
}

function Top(props: StageProps) {
  return props.open.clip && props.open.card && <FrameTop {...props} />;
}

export const frameStage: StageView = {
  Bar,
  Side,
  Top,
  lane: {
    of: (clip, open) =>
      open.preview && framePieces(clip, open.preview, open.card ? namesOf(open.card) : [], open.card?.cameras ?? []),
    named: true,
  },
  plateHeight: 290,
  safeZones: true,
};
