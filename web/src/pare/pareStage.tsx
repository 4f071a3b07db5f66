import { NoClip } from '../workbench/NoClip';
import { SelectionBar } from '../workbench/SelectionBar';
import type { StageProps, StageView } from '../workbench/stageView';
import { HandOnPanel } from './HandOnPanel';
import { PareBar } from './PareBar';
import { ParingsTray } from './ParingsTray';
import { SoundPanel } from './SoundPanel';

const SILENT_DB = -120;

function Bar(props: StageProps) {
  const { clip, specs, card } = props.open;
  if (!clip) return <SelectionBar {...props} />;
  return <PareBar clip={clip} specs={specs ?? []} quietBelowDb={card?.quietBelowDb ?? SILENT_DB} />;
}

function Side(props: StageProps) {
  const { clip, card } = props.open;
  if (!clip) return <NoClip {...props} />;
  if (!card) return null;
  return (
    <>
      <SoundPanel clip={clip} />
      <ParingsTray clip={clip} />
      <div className="mt-4">
        <HandOnPanel clip={clip} ntsc={card.frameRateDenominator === 1001} />
      </div>
    </>
  );
}

export const pareStage: StageView = { Bar, Side, plateHeight: 350, safeZones: false };
