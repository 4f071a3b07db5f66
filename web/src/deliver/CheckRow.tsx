import { useState } from 'react';
import { Check as Tick, CircleSlash, TriangleAlert, X } from 'lucide-react';
import { assertNever } from '../ui/assertNever';
import { repairName, type Check } from './repairs';

function Verdict({ verdict }: { verdict: Check['verdict'] }) {
  switch (verdict) {
    case 'PASSES':
      return <Tick size={15} className="mt-0.5 shrink-0 text-steel" aria-label="passes" />;
    case 'NOTE':
      return <TriangleAlert size={15} className="mt-0.5 shrink-0 text-faint" aria-label="worth knowing" />;
    case 'FAILS':
      return <X size={15} className="mt-0.5 shrink-0 text-accent" aria-label="fails" />;
    case 'WAIVED':
      return <CircleSlash size={15} className="mt-0.5 shrink-0 text-faint" aria-label="let pass" />;
    default:
      return assertNever(verdict);
  }
}

/** One thing that was checked, with its repair; what is not right can be let pass with a note. */
export function CheckRow({
  check,
  onRepair,
  onWaive,
}: {
  check: Check;
  onRepair: () => void;
  onWaive: (note: string | null) => void;
}) {
  const [waiving, setWaiving] = useState(false);
  const open = check.verdict === 'FAILS' || check.verdict === 'NOTE';
  return (
    <li className="border-b border-rule py-1.5">
      <div className="flex items-start gap-2">
        <Verdict verdict={check.verdict} />
        <span className="flex-1">
          <span className="text-soft">{check.subject[0].toUpperCase() + check.subject.slice(1)}: </span>
          {check.text}
        </span>
      </div>
      {(open || check.verdict === 'WAIVED') && (
        <p className="flex gap-3 pl-6 text-[12.5px]">
          {open && check.repair && (
            <button className="link" onClick={onRepair}>
              {repairName(check.repair)}
            </button>
          )}
          {open ? (
            <button className="link" aria-expanded={waiving} onClick={() => setWaiving(!waiving)}>
              Let it pass
            </button>
          ) : (
            <button className="link" onClick={() => onWaive(null)}>
              No longer
            </button>
          )}
        </p>
      )}
      {waiving && open && (
        <form
          className="mt-1 flex gap-1.5 pl-6"
          onSubmit={(e) => {
            e.preventDefault();
            onWaive(new FormData(e.currentTarget).get('note') as string);
            setWaiving(false);
          }}
        >
          <input
            name="note"
            className="field text-[12.5px]"
            placeholder="why it may"
            aria-label={`Why ${check.subject} may pass`}
            maxLength={200}
            autoFocus
            required
          />
          <button className="button button-small">Keep</button>
        </form>
      )}
    </li>
  );
}
