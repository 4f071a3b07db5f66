import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Queue } from '../api/client';
import { ViewerNote } from '../team/ViewerNote';
import { AwayNote } from '../ui/AwayNote';
import { PageHead } from '../ui/PageHead';
import { clock } from '../ui/time';
import { isToldByBrowser, wishTold } from './batch';
import { BatchNote } from './BatchNote';
import { QueueRow } from './QueueRow';
import { WorkerList } from './WorkerList';

function summary(queue: Queue): string {
  const waiting = queue.lines.filter((l) => l.state === 'WAITING').length;
  const running = queue.lines.filter((l) => l.state === 'RENDERING').length;
  if (!waiting && !running) return 'Nothing is being rendered.';
  const parts = [
    ...(running ? [`${running} being rendered`] : []),
    ...(waiting ? [`${waiting} wait${waiting === 1 ? 's' : ''}`] : []),
    ...(queue.paused
      ? ['paused']
      : queue.secondsLeft === null
        ? []
        : [`all done in ${clock(queue.secondsLeft * 1e6)}`]),
  ];
  return `${parts.join(', ')}.`;
}

/** What is rendered and what waits, of all episodes, in the order in which it will be done. */
export function QueuePage() {
  const queries = useQueryClient();
  const queue = useQuery({ queryKey: ['queue'], queryFn: api.queue }).data;
  const [told, setTold] = useState(isToldByBrowser);
  const [refused, setRefused] = useState<string | null>(null);
  const take = (asked: Promise<Queue | void>) =>
    void asked
      .then((answer) => {
        setRefused(null);
        if (answer) queries.setQueryData(['queue'], answer);
        return answer ? undefined : queries.invalidateQueries({ queryKey: ['queue'] });
      })
      .catch((error: Error) => setRefused(error.message));
  const actions = {
    onMove: (rendering: number, before: number) => take(api.moveInQueue(rendering, before)),
    onCancel: (rendering: number) => take(api.cancel(rendering)),
    onAgain: (rendering: number) => take(api.renderOnceMore(rendering)),
  };
  const waiting = queue?.lines.filter((l) => l.state === 'WAITING') ?? [];
  return (
    <div className="flex h-full flex-col">
      <PageHead />
      <AwayNote />
      <ViewerNote />
      <BatchNote />
      <main className="flex-1 overflow-y-auto px-8 py-8">
        <div className="mx-auto max-w-[900px]">
          <div className="flex items-baseline gap-3">
            <h1 className="font-serif text-[26px] font-semibold">Queue</h1>
            <p className="flex-1 text-soft" aria-live="polite" data-testid="queue-summary">
              {queue && summary(queue)}
            </p>
            <label className="flex items-center gap-1.5 text-soft">
              <input
                type="checkbox"
                checked={told}
                onChange={(e) => void wishTold(e.target.checked).then(setTold)}
                disabled={!('Notification' in globalThis)}
              />
              Notify me when all is done
            </label>
            {queue && (
              <button className="button" onClick={() => take(api.pauseQueue(!queue.paused))}>
                {queue.paused ? 'Go on' : 'Pause'}
              </button>
            )}
          </div>
          {refused && (
            <p className="mt-3 text-accent" role="alert">
              {refused}
            </p>
          )}
          {queue?.paused && waiting.length > 0 && (
            <p className="mt-3 text-soft">What is being rendered ends; nothing else begins until the queue goes on.</p>
          )}
          <ul className="mt-5 border-t border-rule">
            {queue?.lines.map((line) => {
              const at = waiting.indexOf(line);
              return (
                <QueueRow
                  key={line.renderingId}
                  line={line}
                  earlier={at > 0 ? waiting[at - 1].renderingId : null}
                  later={at >= 0 && at + 1 < waiting.length ? (waiting[at + 2]?.renderingId ?? 0) : null}
                  {...actions}
                />
              );
            })}
          </ul>
          {queue && queue.finished.length > 0 && (
            <section className="mt-8">
              <h2 className="label">Finished last</h2>
              <ul className="mt-1.5 border-t border-rule">
                {queue.finished.map((line) => (
                  <QueueRow key={line.renderingId} line={line} earlier={null} later={null} {...actions} />
                ))}
              </ul>
            </section>
          )}
          {queue?.lines.length === 0 && (
            <p className="mt-4 text-soft">
              Files are ordered in Deliver, from an episode’s sheet. What was asked for last comes first; drag what
              waits to put it elsewhere.
            </p>
          )}
          <WorkerList />
        </div>
      </main>
    </div>
  );
}
