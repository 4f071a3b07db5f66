import { useContext, useEffect, type RefObject } from 'react';
import type { Recorded } from './cameraColours';
import type { Drawable } from './player';
import { StillsContext } from './Stills';

export type Paint = (context: CanvasRenderingContext2D, picture: Drawable, recorded: Recorded) => void;

/** Paints the picture of a time of the episode on a canvas once it has been decoded, and again when the painting changes. */
export function useStill(canvas: RefObject<HTMLCanvasElement | null>, episodeUs: number, paint: Paint) {
  const stills = useContext(StillsContext);
  useEffect(() => {
    let wanted = true;
    stills?.draw(
      episodeUs,
      () => wanted,
      (picture) => {
        const context = canvas.current?.getContext('2d');
        if (context) paint(context, picture, stills.recorded);
      },
    );
    return () => {
      wanted = false;
    };
  }, [stills, canvas, episodeUs, paint]);
}
