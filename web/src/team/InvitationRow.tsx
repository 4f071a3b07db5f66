import type { Invitation } from '../api/client';
import { ROLE_NAMES } from './roles';
import { whenText } from '../ui/whenText';

/** A link that was given out. */
export function InvitationRow({
  invitation,
  name,
  onTakeBack,
}: {
  invitation: Invitation;
  name: string | null;
  onTakeBack: () => void;
}) {
  const what = name === null ? `for a new ${ROLE_NAMES[invitation.role]}` : `for a new password of ${name}`;
  return (
    <li className="flex items-center gap-3 border-b border-rule py-1.5">
      <span className="flex-1">
        {what}
        <span className="text-soft">, until {whenText(invitation.expiresAt).replace(/^(on|at) /, '')}</span>
      </span>
      <button className="link" onClick={onTakeBack}>
        take back
      </button>
    </li>
  );
}
