import { Fragment } from 'react';
import { Still, type SegmentSeen } from '../plate/Still';
import { LaneEdge } from './LaneEdge';

export const LANE = 92;
const ROOM_FOR_NAME = 15;

/** A stretch of the episode with what stands beside it: a caption, or who is held in the frame. */
export interface LanePiece {
  startUs: number;
  endUs: number;
  text: string;
  /** Which of all pieces it is, where its ends can be dragged. */
  place?: number;
  /** What is seen there, drawn small beside each line. */
  still?: SegmentSeen;
  /** Whether a producer has set it. */
  marked?: boolean;
  /** Whether something in it wants a look. */
  warned?: boolean;
  /** What is told where it is pointed at, beside its text. */
  told?: string;
  /** Whether it stands out among its neighbours. */
  tinted?: boolean;
}

/** Lets an end of a piece be dragged. */
export interface Retiming {
  frameUs: number;
  move: (place: number, end: 'begin' | 'end', byUs: number) => void;
}

interface Props {
  row: { startUs: number; endUs: number; beforeUs: number; height: number };
  pieces: LanePiece[] | null;
  named: boolean;
  width: number;
  /** How ends are dragged; null where they are not. */
  retiming: Retiming | null;
  /** Times that ends snap to. */
  snaps: number[];
}

/** Whether a piece began in the line before with no room for its name there. */
function beganAtFoot(piece: LanePiece, row: Props['row']) {
  const left = (row.startUs - piece.startUs) / (row.startUs - row.beforeUs);
  return left > 0 && left <= 1 && left * row.height < ROOM_FOR_NAME;
}

/** What stands beside the line in the stages after paring: the frame held, or the captions. */
export function Lane({ row, pieces, named, width, retiming, snaps }: Props) {
  const shown = pieces?.filter((piece) => piece.endUs > row.startUs && piece.startUs < row.endUs) ?? [];
  const middle = (row.startUs + row.endUs) / 2;
  const seen = shown.find((piece) => piece.startUs <= middle && middle < piece.endUs);
  const yOf = (us: number) =>
    Math.max(0, Math.min(row.height, ((us - row.startUs) / (row.endUs - row.startUs)) * row.height));
  return (
    <div className="relative shrink-0" style={{ width }}>
      {shown.map((piece) => {
        const begins = piece.startUs >= row.startUs;
        const top = yOf(piece.startUs);
        const height = Math.max(3, yOf(piece.endUs) - top - (piece.endUs <= row.endUs ? 1 : 0));
        // What begins at the foot of a line has its name at the head of the next.
        const hasName = begins ? row.height - top >= ROOM_FOR_NAME : beganAtFoot(piece, row);
        const ends = piece.endUs <= row.endUs;
        return (
          <div
            key={piece.startUs}
            title={piece.told ? `${piece.text}\n${piece.told}` : piece.text}
            className={`absolute right-2 left-0 overflow-hidden border-l-2 pl-1.5 text-[11px] leading-[15px] font-medium text-soft ${piece.warned ? 'border-accent bg-steelwash' : piece.tinted ? 'border-accent bg-wash' : piece.marked ? 'border-ink bg-steelwash' : 'border-steel bg-steelwash'} ${begins ? 'rounded-tl border-t' : ''} ${ends ? 'rounded-bl border-b' : ''}`}
            style={{
              top,
              height,
            }}
          >
            {hasName && named ? (
              <span className={piece.still ? 'block pr-[22px]' : 'block truncate'}>{piece.text}</span>
            ) : (
              ''
            )}
          </div>
        );
      })}
      {retiming &&
        shown.map(
          (piece) =>
            piece.place !== undefined && (
              <Fragment key={`e${piece.place}`}>
                {piece.startUs >= row.startUs && (
                  <LaneEdge
                    y={yOf(piece.startUs)}
                    row={row}
                    snaps={snaps}
                    frameUs={retiming.frameUs}
                    name="begins"
                    onMoved={(by) => retiming.move(piece.place!, 'begin', by)}
                  />
                )}
                {piece.endUs <= row.endUs && (
                  <LaneEdge
                    y={yOf(piece.endUs)}
                    row={row}
                    snaps={snaps}
                    frameUs={retiming.frameUs}
                    name="ends"
                    onMoved={(by) => retiming.move(piece.place!, 'end', by)}
                  />
                )}
              </Fragment>
            ),
        )}
      {seen?.still && (
        <Still
          seen={seen.still}
          sinceUs={Math.max(0, row.startUs - seen.startUs)}
          episodeUs={Math.max(row.startUs, seen.startUs)}
        />
      )}
    </div>
  );
}
