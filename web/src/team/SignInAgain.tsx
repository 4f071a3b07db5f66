import { useEffect, useRef } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { SignInForm } from './SignInForm';
import { signedIn, useSigningIn } from './signingIn';

/** Asks for name and password over the open page, which stays as it is: what waits is sent afterwards. */
export function SignInAgain({ onSignedIn }: { onSignedIn: () => void }) {
  const asked = useSigningIn((s) => s.asked);
  const queries = useQueryClient();
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (asked) dialog.current?.showModal();
  }, [asked]);
  if (!asked) return null;
  return (
    <dialog
      ref={dialog}
      aria-labelledby="sign-in-again"
      className="m-auto w-[340px] rounded-md border border-rule bg-paper p-6 text-ink backdrop:bg-ink/30"
      onCancel={(e) => e.preventDefault()}
    >
      <h2 id="sign-in-again" className="font-serif text-[20px] font-semibold">
        Sign in to go on
      </h2>
      <p className="mt-1 mb-4 text-soft">
        You have been signed out. What you did in this window is kept and sent then.
      </p>
      <SignInForm
        onSignedIn={() => {
          signedIn();
          onSignedIn();
          void queries.invalidateQueries();
        }}
      />
    </dialog>
  );
}
