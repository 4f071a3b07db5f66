import { useEffect } from 'react';
import type { ClipState, EpisodeCard } from '../api/client';
import { usePlayhead } from '../plate/playhead';
import { useChanges } from '../workbench/changes';
import { BY_ITSELF, cameraCutAt } from './cameras';
import type { Standing } from './reach';

const KEYPAD = /^Numpad(\d)$/;

/** Cuts to cameras where one stands, or for the selected words. */
export function useCameraCuts(clip: ClipState, standing: Standing | null) {
  const { change } = useChanges();
  const several = standing?.several ?? null;
  const cutTo = async (camera: number) => {
    const atUs = Math.round(several?.startUs ?? usePlayhead.getState().episodeUs);
    const before = several && (cameraCutAt(clip, several.endUs)?.camera ?? BY_ITSELF);
    await change({ type: 'cutTo', atUs, camera });
    if (several && before !== null && before !== camera)
      await change({ type: 'cutTo', atUs: Math.round(several.endUs), camera: before });
  };
  return { cutTo, letGo: (id: number) => void change({ type: 'dropCameraCuts', ids: [id] }) };
}

/** Which camera is seen from here on; the digits of the keypad choose while it plays. */
export function CameraChoice({
  clip,
  episode,
  standing,
}: {
  clip: ClipState;
  episode: EpisodeCard;
  standing: Standing | null;
}) {
  const { cutTo, letGo } = useCameraCuts(clip, standing);
  const set = cameraCutAt(clip, standing?.atUs ?? 0);
  const cameras = episode.cameras.length;
  useEffect(() => {
    const pressed = (e: KeyboardEvent) => {
      const digit = KEYPAD.exec(e.code)?.[1];
      if (digit === undefined || e.ctrlKey || e.metaKey || e.altKey) return;
      if ((e.target as HTMLElement).closest('input, textarea, select, [contenteditable=true]')) return;
      const camera = Number(digit) - 1;
      if (camera >= cameras) return;
      // The digits above the letters go to stages; those of the keypad do not.
      e.preventDefault();
      e.stopImmediatePropagation();
      void cutTo(camera);
    };
    window.addEventListener('keydown', pressed, true);
    return () => window.removeEventListener('keydown', pressed, true);
  });
  const options = [BY_ITSELF, ...episode.cameras.keys()];
  return (
    <div className="mt-3 flex flex-wrap items-center gap-1.5" role="group" aria-label="Camera">
      <h2 className="label mr-1.5">{standing?.several ? 'Camera for the selected words' : 'Camera from here on'}</h2>
      {options.map((camera) => (
        <button
          key={camera}
          className="button button-small"
          aria-pressed={(set?.camera ?? BY_ITSELF) === camera}
          title={
            camera === BY_ITSELF ? 'Where whoever speaks is seen best; 0 of the keypad' : `${camera + 1} of the keypad`
          }
          disabled={!standing}
          onClick={() => void cutTo(camera)}
        >
          {camera === BY_ITSELF ? 'By itself' : `Camera ${camera + 1}`}
        </button>
      ))}
      {set && (
        <button className="button button-small" onClick={() => letGo(set.id)}>
          Let this cut go
        </button>
      )}
    </div>
  );
}
