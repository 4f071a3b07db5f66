import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { Window } from './framePath';

/** The picture that grounds show which show one. */
export interface Backdrop {
  image: ImageBitmap;
  /** Whether it is drawn the other way round, for what is drawn is turned round again. */
  mirrored: boolean;
}

/**
 * A backdrop, once it is there.
 *
 * @param picture its name; null for none
 */
export function useBackdrop(picture: string | null, mirrored: boolean): Backdrop | null {
  const { data } = useQuery({
    queryKey: ['backdrop', picture],
    queryFn: async () => {
      const answer = await fetch(`/api/backdrops/${picture}`);
      if (!answer.ok) throw new Error('The backdrop’s picture is not there any more; choose it again.');
      return createImageBitmap(await answer.blob());
    },
    enabled: picture !== null,
    staleTime: Infinity,
  });
  return useMemo(() => (data && picture !== null ? { image: data, mirrored } : null), [data, picture, mirrored]);
}

/** Draws its middle, as much of it as there is room for. */
export function drawBackdrop(context: CanvasRenderingContext2D, { image, mirrored }: Backdrop, to: Window) {
  const scale = Math.max(to.width / image.width, to.height / image.height);
  const width = to.width / scale;
  const height = to.height / scale;
  context.save();
  // The edges of a picture would be taken to whole pixels.
  context.beginPath();
  context.rect(to.x, to.y, to.width, to.height);
  context.clip();
  context.translate(to.x + to.width / 2, to.y + to.height / 2);
  if (mirrored) context.scale(-1, 1);
  context.drawImage(
    image,
    (image.width - width) / 2,
    (image.height - height) / 2,
    width,
    height,
    -to.width / 2,
    -to.height / 2,
    to.width,
    to.height,
  );
  context.restore();
}
