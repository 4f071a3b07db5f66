import { useState } from 'react';
import type { AccountShown, Role } from '../api/client';
import { whenText } from '../ui/whenText';
import { ROLE_NAMES, ROLES } from './roles';

/** Somebody who may work here. */
export function TeamRow({
  account,
  onRole,
  onSignOut,
  onNewPassword,
  onRemove,
}: {
  account: AccountShown;
  onRole: (role: Role) => void;
  onSignOut: () => void;
  onNewPassword: () => void;
  onRemove: () => void;
}) {
  const [removing, setRemoving] = useState(false);
  return (
    <li className="flex items-center gap-3 border-b border-rule py-2">
      <span className="flex-1">
        <b className="font-medium">{account.name}</b>
        <span className="block text-[12.5px] text-soft">
          {account.seenAt === null ? 'not signed in' : `signed in, last here ${whenText(account.seenAt)}`}
        </span>
      </span>
      {removing ? (
        <>
          <span>Remove {account.name}? What they did stays.</span>
          <button className="button button-strong" onClick={onRemove}>
            Remove
          </button>
          <button className="button" onClick={() => setRemoving(false)}>
            Keep
          </button>
        </>
      ) : (
        <>
          <select
            className="field w-[100px]"
            aria-label={`Role of ${account.name}`}
            value={account.role}
            onChange={(e) => onRole(e.target.value as Role)}
          >
            {ROLES.map((r) => (
              <option key={r} value={r}>
                {ROLE_NAMES[r]}
              </option>
            ))}
          </select>
          <button className="link" onClick={onNewPassword}>
            new password
          </button>
          <button className="link" disabled={account.seenAt === null} onClick={onSignOut}>
            sign out
          </button>
          <button className="link" onClick={() => setRemoving(true)}>
            remove
          </button>
        </>
      )}
    </li>
  );
}
