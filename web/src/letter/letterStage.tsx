import { SelectionBar } from '../workbench/SelectionBar';
import type { StageProps, StageView } from '../workbench/stageView';
import { captionPieces } from './captionLane';
import { LetterSide } from './LetterSide';

function Side({ open: { clip, cues } }: StageProps) {
  return clip && <LetterSide clip={clip} cues={cues} />;
}

export const letterStage: StageView = {
  Bar: SelectionBar,
  Side,
  lane: { of: (clip, open) => open.cues && captionPieces(clip, open.cues), named: false },
  plateHeight: 330,
  safeZones: true,
};
