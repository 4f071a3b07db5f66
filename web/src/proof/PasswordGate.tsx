import { useState } from 'react';
import type { Guest, Refused } from './guestApi';

/** Asks for the password of a link. */
export function PasswordGate({ guest, onEntered }: { guest: Guest; onEntered: () => void }) {
  const [problem, setProblem] = useState('');
  return (
    <main className="mx-auto grid min-h-full max-w-sm content-center gap-3 px-6">
      <h1 className="font-serif text-[20px] font-semibold">This page has a password</h1>
      <form
        className="grid gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          const typed = new FormData(e.currentTarget).get('password') as string;
          guest.enter(typed).then(onEntered, (error: Refused) => setProblem(error.message));
        }}
      >
        <label className="label" htmlFor="password">
          Password, from whoever sent the link
        </label>
        <input id="password" name="password" type="password" className="field" autoFocus maxLength={200} required />
        <button className="button button-strong justify-self-start">Open</button>
      </form>
      {problem && (
        <p role="alert" className="text-accent">
          {problem}
        </p>
      )}
    </main>
  );
}
