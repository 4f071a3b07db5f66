import type { Preview } from '../api/client';
import { useTriedLogo } from './triedLogo';

/** The logo as it stands in the film; while its size is dragged it grows out of its corner. */
export function LogoLayer({ shown }: { shown: NonNullable<Preview['logo']> }) {
  const tried = useTriedLogo((s) => s.logo);
  const { picture, place, opacity } = shown;
  const grown = tried?.picture === picture ? tried.size / shown.size : 1;
  return (
    <img
      src={`/api/logos/${picture}`}
      alt=""
      data-testid="logo"
      className="pointer-events-none absolute max-w-none"
      style={{
        left: `${place.x * 100}%`,
        top: `${place.y * 100}%`,
        width: `${place.width * 100}%`,
        height: `${place.height * 100}%`,
        opacity: tried?.picture === picture ? tried.opacity : opacity,
        transform: `scale(${grown})`,
        transformOrigin: shown.corner.toLowerCase().split('_').join(' '),
      }}
    />
  );
}
