import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Destination, type DestinationWanted } from '../api/client';
import { DestinationForm } from './DestinationForm';

const BLANK: DestinationWanted = {
  name: '',
  rules: { shapes: [], longestSeconds: 0, mostBytes: 0, title: 100, text: 2_000, tags: 30 },
  answers: true,
};

function takes({ rules }: Destination): string {
  return [
    rules.shapes.length ? rules.shapes.map((s) => `${s.width}:${s.height}`).join(', ') : 'any shape',
    ...(rules.longestSeconds ? [`up to ${rules.longestSeconds} s`] : []),
    ...(rules.mostBytes ? [`${Math.round(rules.mostBytes / 1e6)} MB`] : []),
  ].join(', ');
}

/** Where clips can be posted, and by which rules; each is opened and changed in its place. */
export function DestinationList() {
  const queries = useQueryClient();
  const destinations = useQuery({ queryKey: ['destinations'], queryFn: api.destinations }).data;
  const [open, setOpen] = useState<number | 'new' | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const take = async (asked: Promise<unknown>) => {
    try {
      await asked;
      setRefused(null);
      setOpen(null);
    } catch (error) {
      setRefused((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ['destinations'] });
  };
  return (
    <section className="mt-6">
      <h2 className="label">Destinations</h2>
      <p className="mt-1 text-[12.5px] text-soft">
        A stand-in takes the place of all of them: it goes by their rules and keeps receipts, and nothing is published.
      </p>
      <ul className="mt-2 border-t border-rule">
        {destinations?.map((d) => (
          <li key={d.id} className="border-b border-rule py-2">
            {open === d.id ? (
              <DestinationForm
                wanted={d}
                onSave={(wanted) => void take(api.changeDestination(d.id, wanted))}
                onRemove={() => void take(api.removeDestination(d.id))}
                onLeave={() => setOpen(null)}
              />
            ) : (
              <button className="block w-full text-left" onClick={() => setOpen(d.id)}>
                <b className="font-medium">{d.name}</b>
                {!d.answers && <span className="ml-2 text-accent">does not answer</span>}
                <span className="block text-[12.5px] text-soft">{takes(d)}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {open === 'new' ? (
        <div className="mt-2">
          <DestinationForm
            wanted={BLANK}
            onSave={(wanted) => void take(api.addDestination(wanted))}
            onLeave={() => setOpen(null)}
          />
        </div>
      ) : (
        <button className="button mt-2" onClick={() => setOpen('new')}>
          Another destination
        </button>
      )}
      {refused && (
        <p className="mt-2 text-accent" role="alert">
          {refused}
        </p>
      )}
    </section>
  );
}
