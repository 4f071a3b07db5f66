import type { ReactNode } from 'react';
import { api } from '../api/client';
import { LengthGauge } from '../plate/LengthGauge';
import { Plate } from '../plate/Plate';
import { Transport } from '../plate/Transport';
import type { OpenEpisode, StageView } from './stageView';

/** The plate with its transport, and what the stage has under it. */
export function PlateSide({ open, view, children }: { open: OpenEpisode; view: StageView; children: ReactNode }) {
  const { card, specs, clip, preview, transcript } = open;
  return (
    <aside className="w-[330px] shrink-0 overflow-y-auto border-l border-rule bg-desk px-4 py-3.5">
      {card && specs ? (
        <>
          <Plate
            episode={card}
            clip={clip}
            preview={preview}
            captionScript={
              clip && preview && transcript ? api.captionScript(clip.id, preview.revision, transcript.revision) : null
            }
            safeZones={view.safeZones}
            height={view.plateHeight}
          />
          <Transport lengthUs={clip ? clip.pared.lengthUs : card.durationUs} speed={clip?.pared.speed ?? 1} />
          {clip && <LengthGauge clip={clip} specs={specs} />}
          {children}
        </>
      ) : (
        <div className="mx-auto grid h-[180px] w-[300px] place-items-center rounded-md bg-rule text-soft">
          the picture follows
        </div>
      )}
    </aside>
  );
}
