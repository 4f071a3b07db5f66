import { SelectionBar } from '../workbench/SelectionBar';
import type { StageProps, StageView } from '../workbench/stageView';
import { EpisodeMap } from './EpisodeMap';
import { PickSide } from './PickSide';

function Side({ open, acts }: StageProps) {
  if (!open.transcript || !open.brief || !open.specs) return null;
  return (
    <PickSide
      specs={open.specs}
      episodeId={open.id}
      transcript={open.transcript}
      brief={open.brief}
      onBrief={acts.setBrief}
      picks={open.picks}
      error={open.picksError}
      onKeep={(first, last, title) => acts.keepWords(first, last, false, title)}
      clips={open.clips}
    />
  );
}

function Edge({ open }: StageProps) {
  if (!open.item) return null;
  return (
    <EpisodeMap episodeId={open.id} durationUs={open.item.durationUs} picks={open.picks ?? []} clips={open.clips} />
  );
}

export const pickStage: StageView = { Bar: SelectionBar, Side, Edge, plateHeight: 330, safeZones: false };
