import { useQuery } from '@tanstack/react-query';
import { api, type WorkerShown } from '../api/client';

const EVERY_MS = 3_000;

const percent = (share: number) => `${Math.round(share * 100)} %`;

function doing({ heardOf, silentSeconds, does }: WorkerShown): string {
  if (!heardOf) return `no sign of it for ${silentSeconds} s; the others take up what it was doing`;
  if (!does.length) return 'nothing to do';
  return does
    .map(({ taken, what, progress }) => `${taken ? 'takes in' : 'renders'} ${what}, ${percent(progress)}`)
    .join('; ');
}

/** The processes that take a share of the work, on this machine and on others, and what each does. */
export function WorkerList() {
  const workers = useQuery({ queryKey: ['workers'], queryFn: api.workers, refetchInterval: EVERY_MS }).data;
  if (!workers?.length) return null;
  return (
    <section className="mt-8">
      <h2 className="label">Who does it</h2>
      <ul className="mt-1.5 border-t border-rule" data-testid="workers">
        {workers.map((w) => (
          <li key={w.name} className="flex items-baseline gap-4 border-b border-rule py-2 text-[13px]">
            <span className="w-[230px] shrink-0">
              <b className="font-semibold">{w.name}</b>
              <span className="block text-[12px] text-soft">
                {w.here ? 'serves this page' : w.serves ? 'serves pages' : 'a worker'}, {w.hands} at a time
              </span>
            </span>
            <span className={w.heardOf ? 'text-soft' : 'text-accent'}>{doing(w)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
