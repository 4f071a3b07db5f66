import { useState } from 'react';
import type { Cell, Sheet, Spec } from '../api/client';
import { clockTenths } from '../ui/time';
import type { Stage } from '../workbench/store';
import { CheckRow } from './CheckRow';
import { CoverField } from './CoverField';
import { NamePatternField } from './NamePatternField';
import { PostFields } from './PostFields';
import { PostPatternField } from './PostPatternField';
import { goToRepair, type Check } from './repairs';
import { hasPicture } from './specFields';
import { useClipChange } from './useClipChange';

type Line = Sheet['lines'][number];

/** A cell of the sheet: what was checked, what is finished, and what goes out with it. */
export function CellDetail({
  line,
  cell,
  spec,
  onOpen,
}: {
  line: Line;
  cell: Cell;
  spec: Spec;
  onOpen: (stage: Stage) => void;
}) {
  const [unplayable, setUnplayable] = useState(false);
  const finished = cell.state === 'DONE';
  const change = useClipChange(line.clipId);
  const waive = ({ subject, text: found }: Check, note: string | null) =>
    change({ type: 'waive', spec: spec.id, subject, found, note });
  const checks = finished && cell.current ? [...cell.checks, ...cell.measured] : cell.checks;
  const right = checks.filter((c) => c.verdict === 'PASSES');
  const found = checks.filter((c) => c.verdict !== 'PASSES');
  const row = (c: Check) => (
    <CheckRow
      key={`${c.subject} ${c.text}`}
      check={c}
      onRepair={() => {
        if (c.repair === 'TEXT') document.getElementById('post-text')?.focus();
        else if (c.repair) goToRepair(c.repair, onOpen);
      }}
      onWaive={(note) => void waive(c, note)}
    />
  );
  return (
    <div>
      <h2 className="font-serif text-[18px] leading-snug font-semibold">{line.title}</h2>
      <p className="text-[12.5px] text-soft">
        {spec.name}, {hasPicture(spec.encoding.codec) ? `${spec.canvas.width} × ${spec.canvas.height}` : 'sound only'},{' '}
        {clockTenths(line.lengthUs)}
      </p>
      {finished && (
        <video
          key={`${cell.renderingId}-${cell.bytes}`}
          className="mx-auto mt-3 max-h-[330px] rounded-md bg-black"
          src={`/api/renderings/${cell.renderingId}/file`}
          controls
          preload="metadata"
          data-testid="result"
          onError={() => setUnplayable(true)}
          onLoadedMetadata={() => setUnplayable(false)}
        />
      )}
      {finished && unplayable && (
        <p className="mt-2 text-[12.5px] text-soft">
          This browser cannot play {cell.fileName.split('.').pop()!.toUpperCase()} files of this kind; the file itself
          was gone through below.
        </p>
      )}
      <ul className="mt-3">{found.map(row)}</ul>
      {right.length > 0 && (
        <details className="py-1.5">
          <summary className="cursor-pointer text-soft">
            {right.length} check{right.length === 1 ? '' : 's'} passed
          </summary>
          <ul>{right.map(row)}</ul>
        </details>
      )}
      {cell.problem && <p className="mt-2 text-accent">{cell.problem}</p>}
      <div className="label mt-3">File name</div>
      <div className="mt-1 text-[12.5px] break-all">{cell.fileName}</div>
      {finished && (
        <a className="button mt-2 inline-block" href={`/api/renderings/${cell.renderingId}/file?download=true`}>
          Download
        </a>
      )}
      {hasPicture(spec.encoding.codec) && line.lengthUs > 0 && (
        <CoverField clipId={line.clipId} revision={line.revision} spec={spec} />
      )}
      <PostFields clipId={line.clipId} revision={line.revision} spec={spec} />
      <PostPatternField episodeId={line.episodeId} />
      <NamePatternField episodeId={line.episodeId} />
    </div>
  );
}
