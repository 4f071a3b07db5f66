import type { StageProps, StageView } from '../workbench/stageView';
import { DeliverySheet } from './DeliverySheet';

function Whole({ open, acts }: StageProps) {
  return (
    open.card && (
      <DeliverySheet
        of={{ episode: open.id }}
        heading={open.item?.show ?? open.card.title}
        onOpen={({ clipId: clip }, stage) => acts.openClip({ id: clip }, stage)}
      />
    )
  );
}

const nothing = () => null;

export const deliverStage: StageView = { Whole, Bar: nothing, Side: nothing, plateHeight: 330, safeZones: false };
