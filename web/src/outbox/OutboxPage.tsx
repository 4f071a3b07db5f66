import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Posting } from '../api/client';
import { BatchNote } from '../queue/BatchNote';
import { ViewerNote } from '../team/ViewerNote';
import { AwayNote } from '../ui/AwayNote';
import { PageHead } from '../ui/PageHead';
import { DestinationList } from './DestinationList';
import { PostingDetail } from './PostingDetail';
import { wantsHand } from './standing';
import { WeekGrid } from './WeekGrid';
import { daysAfter, mondayOf, WEEKS, zone } from './weeks';

const STEP_DAYS = 28;

function summary(postings: Posting[]): string {
  const count = (state: Posting['state']) => postings.filter((p) => p.state === state).length;
  const hands = postings.filter(wantsHand).length;
  const parts = [
    `${count('SCHEDULED') + count('SENDING')} to come`,
    `${count('ACCEPTED')} accepted`,
    ...(hands ? [`${hands} want${hands === 1 ? 's' : ''} a hand`] : []),
  ];
  return postings.length ? `${parts.join(', ')} in these weeks` : 'Nothing is posted in these weeks';
}

/** What is posted when and where, five weeks at a time. */
export function OutboxPage() {
  const queries = useQueryClient();
  const [first, setFirst] = useState(() => mondayOf(new Date()));
  const [chosen, setChosen] = useState<number | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const last = daysAfter(first, WEEKS * 7);
  const postings =
    useQuery({
      queryKey: ['outbox', first.toISOString()],
      queryFn: () => api.outbox(first.toISOString(), last.toISOString()),
    }).data ?? [];
  const posting = postings.find((p) => p.id === chosen);
  const take = async (asked: Promise<void>) => {
    try {
      await asked;
      setRefused(null);
    } catch (error) {
      setRefused((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ['outbox'] });
  };
  const putOff = (id: number, at: string | null) =>
    void take(api.putOff(id, { first: at, zone: zone(), everyHours: 0 }));
  return (
    <div className="flex h-full flex-col">
      <PageHead />
      <AwayNote />
      <ViewerNote />
      <BatchNote />
      <div className="flex min-h-0 flex-1">
        <main className="min-w-0 flex-1 overflow-y-auto px-8 py-7">
          <div className="flex items-baseline gap-2">
            <h1 className="font-serif text-[26px] font-semibold">Outbox</h1>
            <p className="flex-1 text-soft" aria-live="polite" data-testid="outbox-summary">
              {summary(postings)}
            </p>
            <a className="button" href="/api/outbox/schedule.ics">
              As a calendar file
            </a>
            <button className="button" onClick={() => setFirst(daysAfter(first, -STEP_DAYS))}>
              Earlier
            </button>
            <button className="button" onClick={() => setFirst(mondayOf(new Date()))}>
              This week
            </button>
            <button className="button" onClick={() => setFirst(daysAfter(first, STEP_DAYS))}>
              Later
            </button>
          </div>
          {refused && (
            <p className="mt-3 text-accent" role="alert">
              {refused}
            </p>
          )}
          <WeekGrid
            first={first}
            postings={postings}
            chosen={chosen}
            onChoose={setChosen}
            onPutOff={(p, at) => putOff(p.id, at)}
          />
        </main>
        <aside className="w-[330px] shrink-0 overflow-y-auto border-l border-rule bg-desk px-4 py-4">
          {posting ? (
            <PostingDetail
              key={`${posting.id} ${posting.dueAt}`}
              posting={posting}
              onPutOff={(at) => putOff(posting.id, at)}
              onWithdraw={() => void take(api.withdrawPosting(posting.id))}
            />
          ) : (
            <p className="text-soft">
              Finished files are put in from a delivery sheet. Choose one to see how it stands; drag what waits to
              another day.
            </p>
          )}
          <DestinationList />
        </aside>
      </div>
    </div>
  );
}
