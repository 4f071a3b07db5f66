import type { ReactNode } from 'react';
import { api } from '../api/client';
import { TakeCover } from '../deliver/TakeCover';
import { LengthGauge } from '../plate/LengthGauge';
import { useShownLanguage } from '../letter/shownLanguage';
import { useTriedScript } from '../letter/useTriedScript';
import { useBackdrop } from '../plate/backdrop';
import { Plate } from '../plate/Plate';
import { useBehind, useColours, useLook, useSkin } from '../plate/shownLook';
import { RemarksCard } from '../proof/RemarksCard';
import { Transport } from '../plate/Transport';
import type { BenchActs, OpenEpisode, StageView } from './stageView';

/** The most room for the plate across, pixels. */
const WIDE = 300;
const NARROW = 168;
const BESIDE_WIDE = 244;

interface Props {
  open: OpenEpisode;
  acts: BenchActs;
  view: StageView;
}

/** The plate with its transport, and what the stage has beside it: under it, or before it where it has more to show. */
export function PlateSide({ open, acts, view }: Props) {
  const { card, specs, clip } = open;
  const Top = clip && view.Top;
  if (!card || !specs)
    return (
      <Side wide={Boolean(Top)}>
        <div className="mx-auto grid h-[180px] w-[300px] place-items-center rounded-md bg-rule text-soft">
          the picture follows
        </div>
      </Side>
    );
  const Beside = clip && view.Beside;
  if (Beside)
    return (
      <Side beside>
        <div className="flex gap-4">
          <div className="shrink-0" style={{ width: BESIDE_WIDE }}>
            <ShownPlate open={open} acts={acts} view={view} />
          </div>
          <div className="min-w-0 flex-1">
            <Beside open={open} acts={acts} />
          </div>
        </div>
        <view.Side open={open} acts={acts} />
      </Side>
    );
  return Top ? (
    <Side wide>
      <div className="flex items-start gap-4">
        <div className="min-w-0 flex-1">
          <Top open={open} acts={acts} />
          <view.Side open={open} acts={acts} />
        </div>
        <div className="sticky top-0 w-[168px] shrink-0">
          <ShownPlate open={open} acts={acts} view={view} />
        </div>
      </div>
    </Side>
  ) : (
    <Side wide={false}>
      <ShownPlate open={open} acts={acts} view={view} />
      <view.Side open={open} acts={acts} />
    </Side>
  );
}

function Side({ wide, beside, children }: { wide?: boolean; beside?: boolean; children: ReactNode }) {
  return (
    <aside
      className={`shrink-0 overflow-y-auto border-l border-rule bg-desk px-4 py-3.5 ${wide ? 'w-[56%] max-w-[820px]' : beside ? 'w-[540px]' : 'w-[330px]'}`}
    >
      {children}
    </aside>
  );
}

function ShownPlate({ open, acts, view }: Props) {
  const { card, specs, clip, preview, transcript } = open;
  const look = useLook(clip);
  const colours = useColours(clip);
  const behind = useBehind(clip, card!.people.length);
  const skin = useSkin(clip, card!.people.length);
  const backdrop = useBackdrop(clip?.framed.backdrop?.picture ?? null, look.mirrored);
  const narrow = Boolean(view.Top && clip);
  const language = useShownLanguage((s) => s.language);
  const shownLanguage = language && clip?.lettered.translations[language] ? language : null;
  const captionScript =
    clip && preview && transcript
      ? api.captionScript(clip.id, preview.revision, transcript.revision, shownLanguage)
      : null;
  const triedScript = useTriedScript(clip, transcript?.revision ?? -1, captionScript);
  return (
    <>
      <Plate
        episode={card!}
        clip={clip}
        preview={preview}
        captionScript={captionScript}
        triedScript={triedScript}
        look={look}
        colours={colours}
        skin={skin}
        behind={behind}
        backdrop={backdrop}
        safeZones={view.safeZones}
        height={view.plateHeight}
        width={narrow ? NARROW : view.Beside && clip ? BESIDE_WIDE : WIDE}
      >
        {clip && view.OnPlate && <view.OnPlate open={open} acts={acts} />}
      </Plate>
      <Transport
        lengthUs={clip ? clip.pared.lengthUs : card!.durationUs}
        speed={clip?.pared.speed ?? 1}
        narrow={narrow || Boolean(view.Beside && clip)}
      >
        {clip && !narrow && (
          <TakeCover
            clip={clip}
            frameUs={(1e6 * card!.frameRateDenominator) / card!.frameRateNumerator}
            named={!view.Beside}
          />
        )}
      </Transport>
      {clip && <LengthGauge clip={clip} specs={specs!} />}
      {clip && transcript && !narrow && <RemarksCard clipId={clip.id} transcript={transcript} />}
    </>
  );
}
