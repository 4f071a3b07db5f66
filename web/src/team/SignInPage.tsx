import { EntryPage } from './EntryPage';
import { SignInForm } from './SignInForm';
import { placeToGo } from './placeToGo';

/** Lets somebody in who has an account. */
export function SignInPage() {
  return (
    <EntryPage title="Sign in">
      <SignInForm onSignedIn={() => location.replace(placeToGo(location.search))} />
      <p className="text-[12.5px] text-soft">
        Forgotten the password? An owner can send you a link for another. No account? An owner can invite you.
      </p>
    </EntryPage>
  );
}
