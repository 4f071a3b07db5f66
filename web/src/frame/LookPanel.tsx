import { useState } from 'react';
import { api, type ClipState, type Intent } from '../api/client';
import { AS_RECORDED, type Look } from '../plate/look';
import { useChanges } from '../workbench/changes';
import { AmountSlider } from './AmountSlider';
import { Choice } from './Choice';
import { GroundChoice } from './GroundChoice';
import { useShownLook } from '../plate/shownLook';
import { useWorkbench } from '../workbench/store';

type Amount = Exclude<keyof Look, 'mirrored'>;
const AMOUNTS: { of: Amount; name: string; least: number; most: number }[] = [
  { of: 'brightness', name: 'Brightness', least: -0.3, most: 0.3 },
  { of: 'contrast', name: 'Contrast', least: 0.5, most: 1.6 },
  { of: 'saturation', name: 'Saturation', least: 0, most: 2 },
  { of: 'warmth', name: 'Warmth', least: -0.1, most: 0.1 },
];
const AS_RECORDED_CAMERA = -1;

/** What is done to the picture itself. */
export function LookPanel({
  clip,
  cameras,
  people,
  clips,
  everyClip,
}: {
  clip: ClipState;
  cameras: number;
  /** How many are in the picture. */
  people: number;
  /** How many there are of the episode. */
  clips: number;
  everyClip: (...intents: (() => Intent)[]) => Promise<void>;
}) {
  const { change } = useChanges();
  const [chosen, setChosen] = useState<number | null>(null);
  const camera = chosen !== null && chosen < cameras ? chosen : null;
  const tried = useShownLook((s) => s.tried);
  const own = camera === null ? clip.framed.look : (clip.framed.colours.looks[camera] ?? AS_RECORDED);
  const look = tried && tried.camera === camera ? tried.look : own;
  const asRecorded = useShownLook((s) => s.asRecorded);
  const skin = useShownLook((s) => s.triedSkin) ?? clip.framed.skin;
  const changed = (next: Look): Intent =>
    camera === null ? { type: 'changeLook', look: next } : { type: 'changeCameraLook', camera, look: next };
  const show = (next: Look) => useShownLook.setState({ tried: { camera, look: next } });
  const keep = (next: Look) => {
    show(next);
    void change(changed(next)).finally(() => useShownLook.setState({ tried: null }));
  };
  return (
    <div className="grid gap-3">
      {cameras > 1 && (
        <Choice
          label="Picture of"
          value={camera === null ? 'all' : String(camera)}
          options={[
            { value: 'all', name: 'all that is seen' },
            ...[...Array(cameras).keys()].map((c) => ({ value: String(c), name: `camera ${c + 1}` })),
          ]}
          onChoose={(value) => setChosen(value === 'all' ? null : Number(value))}
        />
      )}
      <div className="grid grid-cols-2 gap-x-6 gap-y-3">
        {AMOUNTS.map((a) => (
          <AmountSlider
            key={a.of}
            name={a.name}
            said={said(a.of, look[a.of])}
            least={a.least}
            most={a.most}
            value={look[a.of]}
            onTry={(value) => show({ ...look, [a.of]: value })}
            onKeep={(value) => keep({ ...look, [a.of]: rounded(value) })}
          />
        ))}
        {camera === null && people > 0 && (
          <AmountSlider
            name="Smooth skin"
            said={`${Math.round(100 * skin)} %`}
            least={0}
            most={1}
            value={skin}
            onTry={(amount) => useShownLook.setState({ triedSkin: amount })}
            onKeep={(amount) => {
              const kept = rounded(amount);
              useShownLook.setState({ triedSkin: kept });
              void change({ type: 'smoothSkin', amount: kept }).finally(() =>
                useShownLook.setState({ triedSkin: null }),
              );
            }}
          />
        )}
      </div>
      {cameras > 1 && (
        <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label="Colours of the cameras">
          <span className="label mr-1.5">Colours of the cameras</span>
          {[AS_RECORDED_CAMERA, ...Array(cameras).keys()].map((like) => (
            <button
              key={like}
              className="button button-small"
              aria-pressed={clip.framed.colours.camera === like}
              onClick={() => void change({ type: 'matchColours', camera: like })}
            >
              {like === AS_RECORDED_CAMERA ? 'As recorded' : `Like camera ${like + 1}`}
            </button>
          ))}
        </div>
      )}
      <div className="flex flex-wrap gap-1.5">
        <button
          className="button button-small"
          title={
            camera === null
              ? 'Contrast, brightness and warmth by what is seen in this clip'
              : `Contrast, brightness and warmth by what camera ${camera + 1} sees in this clip`
          }
          onClick={() =>
            void api.evenedLook(clip.id, camera).then(keep, (e: Error) => useWorkbench.setState({ message: e.message }))
          }
        >
          Even it out
        </button>
        <button
          className="button button-small"
          aria-pressed={look.mirrored}
          disabled={camera !== null}
          onClick={() => keep({ ...look, mirrored: !look.mirrored })}
        >
          Mirrored
        </button>
        <button
          className="button button-small"
          aria-pressed={asRecorded}
          onClick={() => useShownLook.setState({ asRecorded: !asRecorded })}
        >
          See it as recorded
        </button>
        <button
          className="button button-small"
          onClick={() => {
            keep(AS_RECORDED);
            if (camera === null && skin > 0) void change({ type: 'smoothSkin', amount: 0 });
          }}
        >
          Back to as recorded
        </button>
      </div>
      <GroundChoice clip={clip} people={people} />
      {clips > 1 && (
        <button
          className="button button-small justify-self-start"
          onClick={() => {
            const { behind, backdrop, colours } = clip.framed;
            const intents: Intent[] = [changed(look), { type: 'changeBehind', ground: behind }];
            if (camera === null && people > 0) intents.push({ type: 'smoothSkin', amount: skin });
            if (cameras > 1) intents.push({ type: 'matchColours', camera: colours.camera });
            if (backdrop) intents.unshift({ type: 'chooseBackdrop', backdrop });
            void everyClip(...intents.map((intent) => () => intent));
          }}
        >
          The same for all {clips} clips
        </button>
      )}
      <p className="text-[12.5px] text-soft">
        {people > 0
          ? 'Colours cost next to nothing in rendering; smooth skin about half as much again.'
          : 'Costs next to nothing in rendering.'}
      </p>
    </div>
  );
}

const rounded = (value: number) => Math.round(value * 1000) / 1000;

function said(amount: Amount, value: number): string {
  const percent = Math.round((amount === 'brightness' || amount === 'warmth' ? value : value - 1) * 100);
  return percent > 0 ? `+${percent} %` : `${percent} %`;
}
