import { api } from '../api/client';
import { EntryField, typedIn } from './EntryField';
import { EntryForm } from './EntryForm';

/** Name and password. */
export function SignInForm({ onSignedIn }: { onSignedIn: () => void }) {
  return (
    <EntryForm
      submit="Sign in"
      onSubmit={(typed) => api.signIn(typedIn(typed, 'name'), typedIn(typed, 'password')).then(onSignedIn)}
    >
      <EntryField name="name" label="Name" autoComplete="username" autoFocus />
      <EntryField name="password" label="Password" autoComplete="current-password" secret />
    </EntryForm>
  );
}
