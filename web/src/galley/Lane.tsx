export const LANE = 92;

/** A stretch of the episode with what stands beside it: a caption, or who is held in the frame. */
export interface LanePiece {
  startUs: number;
  endUs: number;
  text: string;
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
