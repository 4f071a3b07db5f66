import type { ClipState, Cue, Preview } from '../api/client';
import { FramePath } from '../plate/framePath';
import { clipLayout, toEpisode } from '../plate/programme';

export const LANE = 92;

/** A stretch of the episode with what stands beside it: a caption, or who is held in the frame. */
export interface LanePiece {
  startUs: number;
  endUs: number;
  text: string;
}

/** Puts what has times of the clip beside the words it plays with. */
function beside(clip: ClipState, pieces: LanePiece[]): LanePiece[] {
  const layout = clipLayout(clip.pared);
  return pieces.map((piece) => ({
    ...piece,
    startUs: toEpisode(layout, piece.startUs),
    endUs: toEpisode(layout, piece.endUs - 1) + 1,
  }));
}

export const captionPieces = (clip: ClipState, cues: Cue[]): LanePiece[] =>
  beside(
    clip,
    cues.map((cue) => ({ ...cue.span, text: cue.lines.map((l) => l.map((w) => w.text).join(' ')).join(' / ') })),
  );

function holder(person: number, names: string[]): string {
  if (person < 0) return 'middle';
  return names[person]?.split(' ')[0] ?? `Person ${person + 1}`;
}

export function framePieces(clip: ClipState, preview: Preview, names: string[]): LanePiece[] {
  const frameUs = (1e6 * preview.frameRateDenominator) / preview.frameRateNumerator;
  return beside(
    clip,
    new FramePath(preview.path).segments.map((s) => ({
      startUs: s.clipFrame * frameUs,
      endUs: (s.clipFrame + s.count) * frameUs,
      text: `${holder(s.person, names)}, held`,
    })),
  );
}

interface Props {
  row: { startUs: number; endUs: number; height: number };
  pieces: LanePiece[] | null;
  named: boolean;
}

/** What stands beside the line in the stages after paring: the frame held, or the captions. */
export function Lane({ row, pieces, named }: Props) {
  const shown = pieces?.filter((piece) => piece.endUs > row.startUs && piece.startUs < row.endUs) ?? [];
  const yOf = (us: number) =>
    Math.max(0, Math.min(row.height, ((us - row.startUs) / (row.endUs - row.startUs)) * row.height));
  return (
    <div className="relative shrink-0" style={{ width: LANE }}>
      {shown.map((piece) => {
        const begins = piece.startUs >= row.startUs;
        const ends = piece.endUs <= row.endUs;
        return (
          <div
            key={piece.startUs}
            title={piece.text}
            className={`absolute right-2 left-0 overflow-hidden border-l-2 border-steel bg-steelwash pl-1.5 text-[11px] leading-[15px] font-medium text-soft ${begins ? 'rounded-tl border-t' : ''} ${ends ? 'rounded-bl border-b' : ''}`}
            style={{
              top: yOf(piece.startUs),
              height: Math.max(3, yOf(piece.endUs) - yOf(piece.startUs) - (ends ? 1 : 0)),
            }}
          >
            {begins && named ? piece.text : ''}
          </div>
        );
      })}
    </div>
  );
}
