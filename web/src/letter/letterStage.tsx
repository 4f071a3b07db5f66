import { NoClip } from '../workbench/NoClip';
import { SelectionBar } from '../workbench/SelectionBar';
import type { ClipChanges } from '../workbench/changes';
import type { OpenEpisode, StageProps, StageView } from '../workbench/stageView';
import { nudge } from './captionActs';
import { CaptionCard } from './CaptionCard';
import { captionPieces } from './captionLane';
import { LetterSide } from './LetterSide';
import { PlacedCaptions } from './PlacedCaptions';
import { SpecimenSheet } from './SpecimenSheet';

const LANE_WIDTH = 128;

function Beside({ open: { clip, cues, transcript, preview } }: StageProps) {
  return clip && cues && transcript && <LetterSide clip={clip} cues={cues} transcript={transcript} preview={preview} />;
}

function Side(props: StageProps) {
  return props.open.clip ? null : <NoClip {...props} />;
}

function OnPlate({ open: { clip, preview, cues } }: StageProps) {
  return clip && preview && cues && <PlacedCaptions clip={clip} preview={preview} cues={cues} />;
}

function Foot({ open: { clip, cues, transcript, card, preview } }: StageProps) {
  if (!clip || !cues || !transcript || !card) return null;
  const frameUs = (1e6 * card.frameRateDenominator) / card.frameRateNumerator;
  return (
    <>
      <CaptionCard clip={clip} cues={cues} transcript={transcript} frameUs={frameUs} />
      <SpecimenSheet clip={clip} largeFonts={preview?.largeFonts} />
    </>
  );
}

function retime(open: OpenEpisode, changes: ClipChanges, place: number, end: 'begin' | 'end', byUs: number) {
  const { clip, cues, transcript } = open;
  if (clip && cues && transcript) nudge({ changes, clip, cues, transcript, frameUs: 0 }, place, end, byUs);
}

export const letterStage: StageView = {
  Bar: SelectionBar,
  Side,
  Beside,
  OnPlate,
  Foot,
  lane: { of: (clip, open) => open.cues && captionPieces(clip, open.cues), named: true, width: LANE_WIDTH, retime },
  plateHeight: 430,
  safeZones: true,
};
