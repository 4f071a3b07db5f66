import { useEffect, useState } from 'react';
import { api, type Invited } from '../api/client';
import { EntryField, typedIn } from './EntryField';
import { EntryForm } from './EntryForm';
import { EntryPage } from './EntryPage';
import { ROLE_MAY, ROLE_NAMES } from './roles';

/** Follows an invitation: somebody new says who they are, somebody known gives themselves another password. */
export function WelcomePage({ token }: { token: string }) {
  const [invited, setInvited] = useState<Invited | null>(null);
  const [problem, setProblem] = useState('');
  useEffect(() => {
    api.invited(token).then(setInvited, (error: Error) => setProblem(error.message));
  }, [token]);
  if (problem)
    return (
      <EntryPage title="This link is of no use any more">
        <p role="alert">{problem}</p>
        <a className="link justify-self-start" href="/sign-in">
          Sign in
        </a>
      </EntryPage>
    );
  if (!invited) return <EntryPage title="A moment">{null}</EntryPage>;
  const known = invited.name;
  return (
    <EntryPage title={known === null ? 'You are invited' : 'A new password'}>
      <p className="text-soft">
        {known === null
          ? `You will be ${invited.role === 'VIEWER' ? 'a' : 'an'} ${ROLE_NAMES[invited.role]}: whoever is one ${ROLE_MAY[invited.role]}.`
          : `For ${known}. Wherever you are signed in by the old one, you are signed out.`}
      </p>
      <EntryForm
        submit={known === null ? 'Begin' : 'Take this one'}
        onSubmit={(typed) =>
          api
            .followInvitation(token, known ?? typedIn(typed, 'name'), typedIn(typed, 'password'))
            .then(() => location.replace('/'))
        }
      >
        {known === null && (
          <EntryField
            name="name"
            label="Name"
            hint="as the others here will see it"
            autoComplete="username"
            autoFocus
          />
        )}
        <EntryField
          name="password"
          label="Password"
          hint="12 characters or more; a few words are easy to remember"
          autoComplete="new-password"
          secret
          autoFocus={known !== null}
        />
      </EntryForm>
    </EntryPage>
  );
}
