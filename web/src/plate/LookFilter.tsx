import { colourMatrix, type Look } from './look';

/** The filter, by this id, that changes a picture as the export will. */
export function LookFilter({ id, look }: { id: string; look: Look }) {
  return (
    <svg className="absolute h-0 w-0" aria-hidden="true">
      <filter id={id} colorInterpolationFilters="sRGB" x="0" y="0" width="100%" height="100%">
        <feColorMatrix type="matrix" values={colourMatrix(look).join(' ')} />
      </filter>
    </svg>
  );
}
