import { useCallback, useRef } from 'react';
import type { EpisodeCard } from '../api/client';
import { useStill, type Paint } from '../plate/useStill';

const SIDE = 40;
const FINENESS = 2;
/** So many widths of a face are seen. */
const AROUND = 1.7;

const within = (value: number, most: number) => Math.max(0, Math.min(most, value));

/** A person's face where they are seen well. */
export function FacePicture({ person }: { person: EpisodeCard['people'][number] }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { x, y, width, height } = person;
  const paint: Paint = useCallback(
    (context, picture, recorded) => {
      const high = (picture.displayWidth * recorded.height) / recorded.width;
      const side = Math.min(high, AROUND * height * high);
      const left = within((x + width / 2) * picture.displayWidth - side / 2, picture.displayWidth - side);
      const top = within((y + height / 2) * high - side / 2, high - side);
      picture.draw(context, left, top, side, side, 0, 0, SIDE * FINENESS, SIDE * FINENESS);
    },
    [x, y, width, height],
  );
  useStill(canvas, person.seenAtUs, paint);
  return (
    <canvas
      ref={canvas}
      width={SIDE * FINENESS}
      height={SIDE * FINENESS}
      className="shrink-0 rounded-full bg-rule"
      style={{ width: SIDE, height: SIDE }}
      aria-hidden="true"
    />
  );
}
