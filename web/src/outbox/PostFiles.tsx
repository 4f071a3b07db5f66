import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Send } from 'lucide-react';
import { api, type Destination, type FileToPost, type Spec } from '../api/client';
import { daysAfter, onDay, zone } from './weeks';

const STEPS: [hours: number, name: string][] = [
  [0, 'all at once'],
  [1, 'an hour apart'],
  [24, 'a day apart'],
  [48, 'two days apart'],
  [168, 'a week apart'],
];
const EVENING = 18;

/** Tomorrow evening, by the clock on the wall. */
function tomorrow(): string {
  const now = new Date();
  return onDay(daysAfter(now, 1), new Date(now.getFullYear(), now.getMonth(), now.getDate(), EVENING));
}

/** Finished files of one spec go into the outbox, in the order in which they stand. */
export function PostFiles({ specs, ready }: { specs: Spec[]; ready: FileToPost[] }) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="button flex items-center gap-1.5" data-testid="post-files">
          <Send size={14} /> Post
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[360px]" side="top" align="end" sideOffset={6} collisionPadding={12}>
          <Form specs={specs} ready={ready} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Form({ specs, ready }: { specs: Spec[]; ready: FileToPost[] }) {
  const queries = useQueryClient();
  const destinations = useQuery({ queryKey: ['destinations'], queryFn: api.destinations }).data ?? [];
  const offered = specs.filter((s) => ready.some((r) => r.spec === s.id));
  const [spec, setSpec] = useState(offered[0]?.id ?? '');
  const [to, setTo] = useState<number | null>(null);
  const [first, setFirst] = useState(tomorrow);
  const [everyHours, setEveryHours] = useState(24);
  const [told, setTold] = useState('');
  const [done, setDone] = useState(false);
  const files = ready.filter((r) => r.spec === spec);
  const { width = 0, height = 1 } = offered.find((s) => s.id === spec)?.canvas ?? {};
  const takes = (d: Destination) =>
    !d.rules.shapes.length || d.rules.shapes.some((s) => s.width * height === s.height * width);
  const destination = to ?? (destinations.find(takes) ?? destinations[0])?.id;
  const put = async () => {
    try {
      await api.schedulePosts({ files, destination: destination!, when: { first, zone: zone(), everyHours } });
      setTold(`${files.length} file${files.length === 1 ? ' is' : 's are'} in the outbox.`);
      setDone(true);
    } catch (error) {
      setTold((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ['outbox'] });
  };
  return (
    <form
      className="grid gap-3"
      onChange={() => setDone(false)}
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <label className="label">
        Finished files of
        <select className="field mt-1 font-normal text-ink" value={spec} onChange={(e) => setSpec(e.target.value)}>
          {offered.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}: {ready.filter((r) => r.spec === s.id).length}
            </option>
          ))}
        </select>
      </label>
      <label className="label">
        To
        <select
          className="field mt-1 font-normal text-ink"
          value={destination}
          onChange={(e) => setTo(Number(e.target.value))}
        >
          {destinations.map((d) => (
            <option key={d.id} value={d.id}>
              {d.name}
            </option>
          ))}
        </select>
      </label>
      <label className="label">
        {files.length > 1 ? 'The first one' : 'When'}
        <input
          className="field mt-1 font-normal text-ink"
          type="datetime-local"
          value={first}
          required
          onChange={(e) => setFirst(e.target.value)}
        />
      </label>
      {files.length > 1 && (
        <label className="label">
          The others
          <select
            className="field mt-1 font-normal text-ink"
            value={everyHours}
            onChange={(e) => setEveryHours(Number(e.target.value))}
          >
            {STEPS.map(([hours, name]) => (
              <option key={hours} value={hours}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      <button className="button button-strong" disabled={!files.length || destination === undefined || done}>
        Put {files.length === 1 ? 'it' : `${files.length} files`} into the outbox
      </button>
      <p className="text-[12.5px] text-soft" role="status">
        {told || 'A stand-in takes the place of the destinations; nothing is published.'}{' '}
        <Link className="link" to="/outbox">
          See the outbox
        </Link>
      </p>
    </form>
  );
}
