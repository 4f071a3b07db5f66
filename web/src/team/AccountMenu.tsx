import { useState } from 'react';
import { Popover } from 'radix-ui';
import { Link } from 'react-router';
import { api } from '../api/client';
import { EntryField, typedIn } from './EntryField';
import { EntryForm } from './EntryForm';
import { ROLE_NAMES } from './roles';
import { useSession } from './session';

/** Who is signed in, and what they can do about it; at the machine itself the way to the team. */
export function AccountMenu() {
  const session = useSession();
  const [changing, setChanging] = useState(false);
  const [changed, setChanged] = useState(false);
  if (!session?.team) return null;
  if (session.name === null) return <TeamLink />;
  return (
    <Popover.Root
      onOpenChange={() => {
        setChanging(false);
        setChanged(false);
      }}
    >
      <Popover.Trigger className="button">{session.name}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="end" sideOffset={6} className="panel z-20 grid w-[280px] gap-2 p-4">
          <p className="text-soft">
            Signed in as {session.name}, {ROLE_NAMES[session.role]}.
          </p>
          {session.role === 'OWNER' && <TeamLink />}
          {changing ? (
            <EntryForm
              submit="Change it"
              onSubmit={async (typed) => {
                await api.changePassword(typedIn(typed, 'old'), typedIn(typed, 'wanted'));
                setChanging(false);
                setChanged(true);
              }}
            >
              <EntryField name="old" label="Password now" autoComplete="current-password" secret autoFocus />
              <EntryField name="wanted" label="Another" autoComplete="new-password" secret />
            </EntryForm>
          ) : (
            <button className="button" onClick={() => setChanging(true)}>
              Change password
            </button>
          )}
          {changed && <p role="status">The password is changed. Other windows are signed out.</p>}
          <button className="button" onClick={() => void api.signOut().then(() => location.assign('/sign-in'))}>
            Sign out
          </button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function TeamLink() {
  return (
    <Link className="button text-center" to="/team">
      Team
    </Link>
  );
}
