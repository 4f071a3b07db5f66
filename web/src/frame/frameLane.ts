import type { ClipState, EpisodeCard, Preview } from '../api/client';
import { beside } from '../galley/beside';
import type { LanePiece } from '../galley/Lane';
import { FramePath, moves, windowAt, type Segment } from '../plate/framePath';
import { cameraOf } from './cameras';
import type { Framed } from './framing';

function holder(person: number, names: string[]): string {
  if (person < 0) return 'middle';
  return names[person] ?? `Person ${person + 1}`;
}

/** What a segment shows, in the words of the lane. */
function said(segment: Segment, framed: Framed, names: string[], cameras: EpisodeCard['cameras']): string {
  const set = framed.set.find((s) => s.id === segment.setBy);
  if (set && set.shown.type !== 'laid') return set.shown.type === 'travel' ? 'travels, set' : 'by hand';
  const hand = set ? ', set' : '';
  const [first] = segment.panes;
  if (segment.panes.length > 1) return `${segment.panes.length} together${hand}`;
  if (first.place.width < 1 || first.place.height < 1) return `whole${hand}`;
  const whom = holder(first.person, names);
  const how = set ? 'set' : moves(segment) ? 'moves' : '';
  if (cameras.length < 2) return `${whom} ${how || 'held'}`;
  return `${whom} on ${cameraOf(windowAt(first, 0), cameras) + 1}${how && `, ${how}`}`;
}

/** What is wrong with the face in a segment. */
function warned(segment: number, faces: Preview['faces']): string {
  const problem = faces.find((f) => f.segment === segment)?.problem;
  return problem === undefined ? '' : problem === 'CUT' ? ', face cut' : ', face small';
}

/** Who is held in the frame, and where one comes nearer, beside the words. */
export function framePieces(
  clip: ClipState,
  preview: Preview,
  names: string[],
  cameras: EpisodeCard['cameras'],
): LanePiece[] {
  const frameUs = (1e6 * preview.frameRateDenominator) / preview.frameRateNumerator;
  const { framed } = clip;
  const nearer = framed.pushIns.filter((p) => p.on);
  const pieces = beside(
    clip,
    new FramePath(preview.path).segments.map((s, i) => ({
      startUs: s.clipFrame * frameUs,
      endUs: (s.clipFrame + s.count) * frameUs,
      text: said(s, framed, names, cameras) + warned(i, preview.faces),
      warned: preview.faces.some((f) => f.segment === i),
      marked: s.setBy !== 0,
      still: {
        segment: s,
        ratio: framed.shape.width / framed.shape.height,
        frameUs,
        colours: framed.colours,
        look: framed.look,
        logo: preview.logo,
        behind: framed.behind,
        picture: framed.backdrop?.picture ?? null,
      },
    })),
  );
  const joined: LanePiece[] = [];
  let before: number | null = null;
  for (const piece of pieces) {
    const middle = (piece.startUs + piece.endUs) / 2;
    const pushIn = nearer.find((p) => p.span.startUs <= middle && middle < p.span.endUs);
    const last = joined.at(-1);
    if (pushIn && last && before === pushIn.id) last.endUs = piece.endUs;
    else
      joined.push(pushIn ? { ...piece, text: `${Math.round(pushIn.share * 100)} % in`, tinted: true } : { ...piece });
    before = pushIn?.id ?? null;
  }
  return joined;
}
