import { memo, useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type ClipState, type PiecesMade } from '../api/client';
import { CUT_LISTS } from '../ui/cutLists';
import { sizeText } from '../ui/time';

/** The cut for another editor: as a list, or as the kept pieces themselves. */
export const HandOnPanel = memo(function HandOnPanel({ clip, ntsc }: { clip: ClipState; ntsc: boolean }) {
  const queries = useQueryClient();
  const [handles, setHandles] = useState(0);
  const [dropFrame, setDropFrame] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const made = useQuery({
    queryKey: ['kept-pieces', clip.id, clip.revision],
    queryFn: () => api.keptPieces(clip.id),
    refetchInterval: (q) => (q.state.data?.some(isBusy) ? 700 : false),
    placeholderData: (before) => before,
  });
  const write = async (each: boolean) => {
    const queryKey = ['kept-pieces', clip.id, clip.revision];
    try {
      const now = await api.writePieces(clip.id, each, each ? handles : 0);
      // Whoever asked before this order and is answered after it does not know of it.
      await queries.cancelQueries({ queryKey });
      queries.setQueryData(queryKey, now);
      setProblem(null);
      await queries.invalidateQueries({ queryKey });
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const valid = Number.isInteger(handles) && handles >= 0 && handles <= 500;
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="button" data-testid="hand-on">
          Hand the cut on
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[400px]" side="top" align="start" sideOffset={6} collisionPadding={12}>
          <label className="flex items-center gap-2">
            Handles
            <input
              type="number"
              className="field w-20"
              min={0}
              max={500}
              value={handles}
              onChange={(e) => setHandles(Number(e.target.value))}
              aria-label="Frames left around each piece"
            />
            frames around each piece
          </label>
          {ntsc && (
            <label className="mt-2 flex items-center gap-2">
              <input
                type="checkbox"
                className="accent-[var(--steel)]"
                checked={dropFrame}
                onChange={(e) => setDropFrame(e.target.checked)}
              />
              drop-frame timecode
            </label>
          )}
          <div className="label mt-4">The cut as a list</div>
          <div className="mt-1.5 flex gap-2">
            {CUT_LISTS.map(([format, name]) => (
              <a
                key={format}
                className={`button flex-1 text-center ${valid ? '' : 'pointer-events-none opacity-45'}`}
                href={`/api/clips/${clip.id}/cut-list?format=${format}&handles=${handles}&dropFrame=${ntsc && dropFrame}`}
                download
              >
                {name}
              </a>
            ))}
          </div>
          <div className="label mt-4">The kept pieces, as they were recorded</div>
          <div className="mt-1.5 flex gap-2">
            <button className="button flex-1" onClick={() => void write(false)} data-testid="pieces-one">
              As one file
            </button>
            <button
              className="button flex-1"
              disabled={!valid}
              onClick={() => void write(true)}
              data-testid="pieces-each"
            >
              A folder, one file each
            </button>
          </div>
          {problem && <p className="mt-2 text-accent">{problem}</p>}
          <ul className="mt-2">
            {made.data?.map((p) => (
              <Made key={p.id} clipId={clip.id} pieces={p} />
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
});

const isBusy = (p: PiecesMade) => p.state === 'WAITING' || p.state === 'RENDERING';

function Made({ clipId, pieces }: { clipId: number; pieces: PiecesMade }) {
  const name = pieces.each ? `Folder${pieces.handles ? `, ${pieces.handles} frames around` : ''}` : 'One file';
  return (
    <li className="flex items-center gap-3 border-t border-rule py-1.5 text-[13px]" data-testid="pieces-made">
      <span className="flex-1">{name}</span>
      {isBusy(pieces) && (
        <>
          <span className="h-1.5 w-24 overflow-hidden rounded-full bg-rule">
            <span className="block h-full bg-steel" style={{ width: `${pieces.progress * 100}%` }} />
          </span>
          <button className="link" onClick={() => void api.cancel(pieces.id)}>
            stop
          </button>
        </>
      )}
      {pieces.state === 'FAILED' && <span className="text-accent">{pieces.problem}</span>}
      {pieces.state === 'CANCELLED' && <span className="text-soft">stopped</span>}
      {pieces.state === 'DONE' && (
        <>
          <span className="text-soft tabular-nums">
            {sizeText(pieces.bytes)}
            {pieces.current ? '' : ', of an earlier cut'}
          </span>
          <a className="link" href={`/api/clips/${clipId}/pieces/${pieces.id}/file`} download>
            save
          </a>
        </>
      )}
    </li>
  );
}
