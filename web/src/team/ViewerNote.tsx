import { useSession } from './session';

/** Says to whoever may only look that they may only look. */
export function ViewerNote() {
  const session = useSession();
  if (session?.role !== 'VIEWER') return null;
  return (
    <div className="shrink-0 border-b border-rule bg-steelwash px-5 py-1.5" role="note">
      You look on: everything can be opened and played, and nothing be changed. An owner can make you an editor.
    </div>
  );
}
