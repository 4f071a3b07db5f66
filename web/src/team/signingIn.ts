import { create } from 'zustand';

interface SigningIn {
  asked: boolean;
  /** How many times somebody has signed in anew in this window. */
  signIns: number;
}

/** Whether the server wants to know anew who this is: what is being done waits until it does. */
export const useSigningIn = create<SigningIn>(() => ({ asked: false, signIns: 0 }));

export const signedIn = () => useSigningIn.setState((now) => ({ asked: false, signIns: now.signIns + 1 }));
