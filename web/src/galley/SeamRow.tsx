import { clock } from '../ui/time';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';

/** Where one stretch of a clip ends and the next begins elsewhere in the recording. */
export function SeamRow({
  margin,
  startUs,
  place,
  paring,
}: {
  margin: number;
  startUs: number;
  place: number;
  paring: boolean;
}) {
  const { change } = useChanges();
  return (
    <div
      className="flex flex-1 items-center gap-3 text-[12px] text-faint"
      style={{ marginLeft: margin }}
      data-testid="seam"
    >
      <span className="w-24 border-t border-dashed border-rule" />
      from {clock(startUs)}
      {paring && (
        <>
          <button className="link" onClick={() => useWorkbench.setState({ seam: place, loupe: null })}>
            loupe
          </button>
          <button className="link" onClick={() => void change({ type: 'dropStretch', place })}>
            drop
          </button>
        </>
      )}
    </div>
  );
}
