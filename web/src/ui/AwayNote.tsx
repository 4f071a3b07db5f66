import { useLine } from '../api/line';

/** Says that the server or its database is out of reach, for as long as it is. */
export function AwayNote() {
  const { server, database } = useLine();
  if (server && database) return null;
  return (
    <div className="shrink-0 border-b border-rule bg-wash px-5 py-2" role="alert" data-testid="away">
      {server
        ? 'The database does not answer and is being brought back. '
        : 'The server does not answer; it is asked again every few seconds. '}
      What you do is kept in this window and sent as soon as it does. What was saved is not lost.
    </div>
  );
}
