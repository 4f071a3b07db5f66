import { useState } from 'react';
import { Link } from 'react-router';
import type { Posting } from '../api/client';
import { canBePutOff, canBeTakenBack, dayAndTime, standing } from './standing';
import { wallClock } from './weeks';

/** One post: how it stands, why, and what can be done about it. */
export function PostingDetail({
  posting,
  onPutOff,
  onWithdraw,
}: {
  posting: Posting;
  onPutOff: (wallClock: string | null) => void;
  onWithdraw: () => void;
}) {
  const [time, setTime] = useState(() => wallClock(new Date(posting.dueAt)));
  return (
    <section data-testid="posting-detail">
      <h2 className="font-serif text-[17px] font-semibold">
        <Link className="hover:underline" to={`/episodes/${posting.episodeId}/deliver?clip=${posting.clipId}`}>
          {posting.clip}
        </Link>
      </h2>
      <p className="text-soft">
        {posting.show && `${posting.show} / `}
        {posting.episode}
      </p>
      <dl className="mt-3 grid grid-cols-[90px_1fr] gap-y-1">
        <dt className="text-soft">to</dt>
        <dd>{posting.destination}</dd>
        <dt className="text-soft">file</dt>
        <dd>{posting.spec}</dd>
        <dt className="text-soft">due</dt>
        <dd className="tabular-nums">{dayAndTime(posting.dueAt)}</dd>
        <dt className="text-soft">stands</dt>
        <dd className={posting.state === 'REFUSED' || posting.state === 'MISSED' ? 'text-accent' : ''}>
          {standing(posting)}
          {posting.tries > 1 && `, ${posting.tries} tries`}
        </dd>
        {posting.nextAt && posting.tries > 0 && (
          <>
            <dt className="text-soft">next try</dt>
            <dd className="tabular-nums">{dayAndTime(posting.nextAt)}</dd>
          </>
        )}
        {posting.reference && (
          <>
            <dt className="text-soft">receipt</dt>
            <dd className="text-[12px] break-all">{posting.reference}</dd>
          </>
        )}
      </dl>
      {posting.reasons.length > 0 && (
        <ul className="mt-3 grid gap-1 border-l-2 border-accent pl-2.5" aria-label="Why">
          {posting.reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      )}
      {canBePutOff(posting) && (
        <form
          className="mt-4"
          onSubmit={(e) => {
            e.preventDefault();
            onPutOff(time);
          }}
        >
          <label className="label" htmlFor="posting-time">
            Another time
          </label>
          <div className="mt-1.5 flex gap-1.5">
            <input
              id="posting-time"
              type="datetime-local"
              className="field min-w-0 flex-1"
              value={time}
              required
              onChange={(e) => setTime(e.target.value)}
            />
            <button className="button">Set</button>
          </div>
          <button type="button" className="button mt-1.5" onClick={() => onPutOff(null)}>
            {posting.state === 'SCHEDULED' ? 'Post it now' : 'Try again now'}
          </button>
        </form>
      )}
      {canBeTakenBack(posting) && (
        <button className="button mt-3" onClick={onWithdraw}>
          Take it back
        </button>
      )}
    </section>
  );
}
