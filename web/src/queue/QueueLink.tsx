import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../api/client';

/** The way to the queue, with how much is in it. */
export function QueueLink() {
  const queue = useQuery({ queryKey: ['queue'], queryFn: api.queue }).data;
  const waiting = queue?.lines.filter((l) => l.state !== 'FAILED').length ?? 0;
  return (
    <Link className="button" to="/queue">
      Queue{waiting > 0 && <span className="ml-1.5 tabular-nums text-soft">{waiting}</span>}
      {queue?.paused && <span className="ml-1.5 text-soft">paused</span>}
    </Link>
  );
}
