import type { ClipState } from '../api/client';
import { rgbMatrix, type Look } from './look';
import type { Drawable } from './player';

export type CameraColours = ClipState['framed']['colours'];

/** The pictures of all cameras side by side, pixels. */
export interface Recorded {
  width: number;
  height: number;
  cameras: { x: number; y: number; width: number; height: number }[];
}

const idOf = (camera: number) => `camera-colours-${camera}`;

type ColourMap = CameraColours['maps'][number];

export const AS_IT_IS: ColourMap = {
  lumaTimes: 1,
  lumaAdded: 0,
  blueTimes: 1,
  blueByLuma: 0,
  blueAdded: 0,
  redTimes: 1,
  redByLuma: 0,
  redAdded: 0,
};

/** What becomes of each camera's colours: made alike, and then changed by hand. */
export const mapsOf = ({ maps, looks }: CameraColours): ColourMap[] =>
  Array.from({ length: Math.max(maps.length, looks.length) }, (_, camera) => {
    const map = maps[camera] ?? AS_IT_IS;
    const look = looks[camera];
    return look ? looked(map, look) : map;
  });

const looked = (map: ColourMap, { brightness, contrast, saturation, warmth }: Look): ColourMap => ({
  lumaTimes: contrast * map.lumaTimes,
  lumaAdded: contrast * map.lumaAdded + 0.5 - 0.5 * contrast + brightness,
  blueTimes: saturation * map.blueTimes,
  blueByLuma: saturation * map.blueByLuma,
  blueAdded: saturation * map.blueAdded - warmth,
  redTimes: saturation * map.redTimes,
  redByLuma: saturation * map.redByLuma,
  redAdded: saturation * map.redAdded + warmth,
});

const changes = (map: ColourMap | undefined) =>
  map !== undefined && (Object.keys(AS_IT_IS) as (keyof ColourMap)[]).some((k) => map[k] !== AS_IT_IS[k]);

/** A colour matrix for RGB that does what the export does to a camera's luma and chroma. */
export const mapMatrix = (map: ColourMap) =>
  rgbMatrix({
    luma: [map.lumaTimes, 0, 0, map.lumaAdded],
    blue: [map.blueByLuma, map.blueTimes, 0, map.blueAdded],
    red: [map.redByLuma, 0, map.redTimes, map.redAdded],
  });

/** The filters that change each camera's colours as the export will. */
export function CameraFilters({ colours }: { colours: CameraColours }) {
  return (
    <svg className="absolute h-0 w-0" aria-hidden="true">
      {mapsOf(colours).map((map, camera) => (
        <filter key={camera} id={idOf(camera)} colorInterpolationFilters="sRGB" x="0" y="0" width="100%" height="100%">
          <feColorMatrix type="matrix" values={mapMatrix(map).join(' ')} />
        </filter>
      ))}
    </svg>
  );
}

/** A picture of all cameras side by side, each in its colours; their filters are on the page. */
export function coloured(picture: Drawable, recorded: Recorded, colours: CameraColours): Drawable {
  const maps = mapsOf(colours);
  if (!maps.some((m) => changes(m))) return picture;
  const draw = (context: CanvasRenderingContext2D, x: number, y: number, width: number, height: number) => {
    const { canvas } = context;
    const across = width / recorded.width;
    const down = height / recorded.height;
    recorded.cameras.forEach((cell, camera) => {
      const left = x + cell.x * across;
      const top = y + cell.y * down;
      const right = left + cell.width * across;
      const bottom = top + cell.height * down;
      if (right <= 0 || bottom <= 0 || left >= canvas.width || top >= canvas.height) return;
      context.save();
      context.beginPath();
      context.rect(left, top, right - left, bottom - top);
      context.clip();
      if (changes(maps[camera])) {
        const before = context.filter === 'none' ? '' : ` ${context.filter}`;
        context.filter = `url("#${idOf(camera)}")${before}`;
      }
      picture.draw(context, x, y, width, height);
      context.restore();
    });
  };
  return { displayWidth: picture.displayWidth, draw: draw as Drawable['draw'] };
}
