import { Check, TriangleAlert, X } from 'lucide-react';
import type { Cell, Sheet, Spec } from '../api/client';
import { assertNever } from '../ui/assertNever';
import { clockTenths } from '../ui/time';
import { NamePatternField } from './NamePatternField';
import { PostFields } from './PostFields';
import { ending, hasPicture } from './specFields';

type Line = Sheet['lines'][number];

function Verdict({ verdict }: { verdict: Cell['checks'][number]['verdict'] }) {
  switch (verdict) {
    case 'PASSES':
      return <Check size={15} className="mt-0.5 shrink-0 text-steel" aria-label="passes" />;
    case 'NOTE':
      return <TriangleAlert size={15} className="mt-0.5 shrink-0 text-faint" aria-label="worth knowing" />;
    case 'FAILS':
      return <X size={15} className="mt-0.5 shrink-0 text-accent" aria-label="fails" />;
    default:
      return assertNever(verdict);
  }
}

/** A cell of the sheet: what was checked, what is finished, and what goes out with it. */
export function CellDetail({ episodeId, line, cell, spec }: { episodeId: number; line: Line; cell: Cell; spec: Spec }) {
  const ready = cell.state === 'DONE';
  const checks = ready && cell.current ? [...cell.checks, ...cell.measured] : cell.checks;
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
        {checks.map((c, i) => (
          <li key={`${c.subject}${i}`} className="flex items-start gap-2 border-b border-rule py-1.5">
            <Verdict verdict={c.verdict} />
            <span>
              <span className="text-soft">{c.subject[0].toUpperCase() + c.subject.slice(1)}: </span>
              {c.text}
            </span>
          </li>
        ))}
      </ul>
      {cell.problem && <p className="mt-2 text-accent">{cell.problem}</p>}
      <div className="label mt-3">File name</div>
      <div className="mt-1 text-[12.5px] break-all">
        {cell.fileName}.{ending(spec.encoding.codec)}
      </div>
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
