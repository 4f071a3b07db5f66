import { SelectionBar } from '../workbench/SelectionBar';
import type { StageProps, StageView } from '../workbench/stageView';
import { framePieces } from './frameLane';
import { FrameSide } from './FrameSide';

function Side({ open: { clip, card, preview } }: StageProps) {
  return clip && card && <FrameSide clip={clip} episode={card} preview={preview} />;
}

export const frameStage: StageView = {
  Bar: SelectionBar,
  Side,
  lane: {
    of: (clip, open) => open.preview && framePieces(clip, open.preview, open.card?.people.map((p) => p.name) ?? []),
    named: true,
  },
  plateHeight: 330,
  safeZones: true,
};
