import { useFraming, type Reach } from './framing';
import { places, REACHES, reachName, type Standing } from './reach';

/** How far what is set reaches, and how many places that is. */
export function ReachChoice({ standing, names, clips }: { standing: Standing | null; names: string[]; clips: number }) {
  const reach = useFraming((s) => s.reach);
  const person = standing?.segment.panes[0].person ?? -1;
  return (
    <label className="flex shrink-0 items-center gap-1.5 whitespace-nowrap text-soft">
      for
      <select
        className="rounded bg-transparent py-1 font-semibold text-ink"
        aria-label="For what it holds"
        value={reach}
        onChange={(e) => useFraming.setState({ reach: e.target.value as Reach })}
      >
        {REACHES.map((r) => (
          <option key={r} value={r} disabled={r === 'speaking' && person < 0}>
            {reachName(r, standing, names)}
          </option>
        ))}
      </select>
      <span className="w-[56px] text-right text-[12px] text-faint tabular-nums" data-testid="places">
        {standing && places(reach, standing, clips)}
      </span>
    </label>
  );
}
