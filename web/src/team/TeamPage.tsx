import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Role, type Team } from '../api/client';
import { AwayNote } from '../ui/AwayNote';
import { PageHead } from '../ui/PageHead';
import { InvitationRow } from './InvitationRow';
import { NewLink } from './NewLink';
import { TeamRow } from './TeamRow';
import { ROLE_MAY, ROLE_NAMES, ROLES } from './roles';

/** Who may work here from other machines: invited, given a role, signed out, removed. */
export function TeamPage() {
  const queries = useQueryClient();
  const team = useQuery({ queryKey: ['team'], queryFn: api.team }).data;
  const [role, setRole] = useState<Role>('EDITOR');
  const [link, setLink] = useState<{ url: string; for: string } | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const take = (asked: Promise<Team>) =>
    void asked
      .then((answer) => {
        setRefused(null);
        queries.setQueryData(['team'], answer);
      })
      .catch((error: Error) => setRefused(error.message));
  const show = (asked: Promise<{ url: string }>, who: string) =>
    void asked
      .then((made) => {
        setRefused(null);
        setLink({ url: made.url, for: who });
        return queries.invalidateQueries({ queryKey: ['team'] });
      })
      .catch((error: Error) => setRefused(error.message));
  return (
    <div className="flex h-full flex-col">
      <PageHead />
      <AwayNote />
      <main className="flex-1 overflow-y-auto px-8 py-8">
        <div className="mx-auto max-w-[760px]">
          <h1 className="font-serif text-[26px] font-semibold">Team</h1>
          {team && <Where team={team} />}
          <ul className="mt-5 border-t border-rule" aria-label="Accounts">
            {team?.accounts.map((a) => (
              <TeamRow
                key={a.id}
                account={a}
                onRole={(wanted) => take(api.changeRole(a.id, wanted))}
                onSignOut={() => take(api.signOutAccount(a.id))}
                onNewPassword={() => show(api.newPassword(a.id), a.name)}
                onRemove={() => take(api.removeAccount(a.id))}
              />
            ))}
          </ul>
          {team?.accounts.length === 0 && <p className="mt-3 text-soft">Nobody yet. Invite the first one.</p>}
          <form
            className="mt-6 flex items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              show(api.invite(role), `a new ${ROLE_NAMES[role]}`);
            }}
          >
            <label className="flex items-center gap-2">
              Invite
              <select className="field w-[110px]" value={role} onChange={(e) => setRole(e.target.value as Role)}>
                {ROLES.map((r) => (
                  <option key={r} value={r}>
                    {ROLE_NAMES[r]}
                  </option>
                ))}
              </select>
            </label>
            <span className="flex-1 text-[12.5px] text-soft">{ROLE_MAY[role]}</span>
            <button className="button button-strong">Make a link</button>
          </form>
          {link && <NewLink url={link.url} who={link.for} onClose={() => setLink(null)} />}
          {refused && (
            <p className="mt-3 text-accent" role="alert">
              {refused}
            </p>
          )}
          {team && team.invitations.length > 0 && (
            <section className="mt-7">
              <h2 className="label">Links given out and not used</h2>
              <ul className="mt-1">
                {team.invitations.map((i) => (
                  <InvitationRow
                    key={i.id}
                    invitation={i}
                    name={team.accounts.find((a) => a.id === i.account)?.name ?? null}
                    onTakeBack={() => take(api.takeBackInvitation(i.id))}
                  />
                ))}
              </ul>
            </section>
          )}
        </div>
      </main>
    </div>
  );
}

function Where({ team }: { team: Team }) {
  if (!team.address)
    return (
      <p className="mt-2 text-soft">
        Nobody else can sign in: the server was started without <code>--team-port</code>. At this machine nobody has to.
      </p>
    );
  return (
    <p className="mt-2 text-soft">
      They sign in at <b className="font-medium text-ink">{team.address}</b>; at the server itself nobody has to.
      {!team.encrypted && ' That address is not encrypted: in a network that others use too, put a proxy before it.'}
    </p>
  );
}
