import { Link } from 'react-router';
import { batchText, useBatch } from './batch';

/** Says once that all that was rendered is done. */
export function BatchNote() {
  const done = useBatch((s) => s.done);
  if (!done) return null;
  return (
    <div
      className="flex shrink-0 items-center gap-4 border-b border-rule bg-steelwash px-5 py-2"
      role="status"
      data-testid="batch"
    >
      <span className="flex-1">{batchText(done)}</span>
      <Link className="link" to="/queue">
        {done.failed + done.wrong > 0 ? 'See why' : 'See them'}
      </Link>
      <button className="link" onClick={() => useBatch.setState({ done: null })}>
        dismiss
      </button>
    </div>
  );
}
