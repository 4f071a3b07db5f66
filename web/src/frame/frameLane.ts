import type { ClipState, Preview } from '../api/client';
import { beside } from '../galley/beside';
import type { LanePiece } from '../galley/Lane';
import { FramePath } from '../plate/framePath';

function holder(person: number, names: string[]): string {
  if (person < 0) return 'middle';
  return names[person]?.split(' ')[0] ?? `Person ${person + 1}`;
}

/** Who is held in the frame, beside the words. */
export function framePieces(clip: ClipState, preview: Preview, names: string[]): LanePiece[] {
  const frameUs = (1e6 * preview.frameRateDenominator) / preview.frameRateNumerator;
  return beside(
    clip,
    new FramePath(preview.path).segments.map((s) => ({
      startUs: s.clipFrame * frameUs,
      endUs: (s.clipFrame + s.count) * frameUs,
      text: s.windows.length > 1 ? 'moves' : `${holder(s.person, names)}, held`,
    })),
  );
}
