import { Link } from 'react-router';

/** The way to what is posted. */
export function OutboxLink() {
  return (
    <Link className="button" to="/outbox">
      Outbox
    </Link>
  );
}
