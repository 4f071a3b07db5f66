import { useQueryClient } from '@tanstack/react-query';
import { api, type Cell, type Sheet, type Spec } from '../api/client';
import { clockTenths } from '../ui/time';
import { useWorkbench, type Stage } from '../workbench/store';
import { CheckRow } from './CheckRow';
import { NamePatternField } from './NamePatternField';
import { PostFields } from './PostFields';
import { goToRepair, type Check } from './repairs';
import { hasPicture } from './specFields';

type Line = Sheet['lines'][number];

/** A cell of the sheet: what was checked, what is finished, and what goes out with it. */
export function CellDetail({
  episodeId,
  line,
  cell,
  spec,
  onOpen,
}: {
  episodeId: number;
  line: Line;
  cell: Cell;
  spec: Spec;
  onOpen: (stage: Stage) => void;
}) {
  const queries = useQueryClient();
  const ready = cell.state === 'DONE';
  const waive = async ({ subject, text: found }: Check, note: string | null) => {
    try {
      await api.change(line.clipId, line.revision, { type: 'waive', spec: spec.id, subject, found, note });
    } catch (error) {
      useWorkbench.setState({ message: (error as Error).message });
    }
    await Promise.all(['sheet', 'clips'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
  };
  return (
    <div>
      <h2 className="font-serif text-[18px] leading-snug font-semibold">{line.title}</h2>
      <p className="text-[12.5px] text-soft">
        {spec.name}, {hasPicture(spec.encoding.codec) ? `${spec.canvas.width} × ${spec.canvas.height}` : 'sound only'},{' '}
        {clockTenths(line.lengthUs)}
      </p>
      {ready && (
        <video
          key={`${cell.renderingId}-${cell.bytes}`}
          className="mx-auto mt-3 max-h-[330px] rounded-md bg-black"
          src={`/api/renderings/${cell.renderingId}/file`}
          controls
          preload="metadata"
          data-testid="result"
        />
      )}
      <ul className="mt-3">
        {cell.checks.map((c) => (
          <CheckRow
            key={c.subject}
            check={c}
            onRepair={() => {
              if (c.repair === 'TEXT') document.getElementById('post-text')?.focus();
              else if (c.repair) goToRepair(c.repair, onOpen);
            }}
            onWaive={(note) => void waive(c, note)}
          />
        ))}
        {ready &&
          cell.current &&
          cell.measured.map((c) => <CheckRow key={c.subject} check={c} onRepair={() => {}} onWaive={null} />)}
      </ul>
      {cell.problem && <p className="mt-2 text-accent">{cell.problem}</p>}
      <div className="label mt-3">File name</div>
      <div className="mt-1 text-[12.5px] break-all">{cell.fileName}</div>
      {ready && (
        <a className="button mt-2 inline-block" href={`/api/renderings/${cell.renderingId}/file?download=true`}>
          Download
        </a>
      )}
      <PostFields clipId={line.clipId} revision={line.revision} spec={spec} />
      <NamePatternField episodeId={episodeId} />
    </div>
  );
}
