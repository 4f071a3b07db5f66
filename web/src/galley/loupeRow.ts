import type { ClipState, Removal } from '../api/client';
import { LOUPE_HEIGHT, type Join } from '../pare/Loupe';
import type { Row } from './setLines';

/** The join to look at close up: that of a removal, or the seam before a stretch. */
export function joinOf(removal: Removal | undefined, clip: ClipState | null, seam: number | null): Join | null {
  if (removal)
    return {
      key: `r${removal.id}`,
      removal: removal.id,
      place: null,
      outUs: removal.span.startUs,
      inUs: removal.span.endUs,
    };
  const stretch = clip && seam !== null ? clip.pared.stretches[seam] : undefined;
  if (!clip || !stretch || !seam) return null;
  return {
    key: `s${seam}`,
    removal: null,
    place: seam,
    outUs: clip.pared.stretches[seam - 1].endUs,
    inUs: stretch.startUs,
  };
}

/** The rows with the loupe under the line in which a removal begins, or under its seam. */
export function withLoupe(lines: Row[], join: Join): Row[] {
  let at = lines.findIndex((r) =>
    join.place === null
      ? r.kind === 'line' && r.startUs <= join.outUs && r.endUs > join.outUs
      : r.kind === 'seam' && r.place === join.place,
  );
  if (at < 0) at = lines.length - 1;
  return [...lines.slice(0, at + 1), { kind: 'loupe', height: LOUPE_HEIGHT }, ...lines.slice(at + 1)];
}
