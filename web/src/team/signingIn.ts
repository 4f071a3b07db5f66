import { create } from 'zustand';

/** Whether the server wants to know anew who this is: what is being done waits until it does. */
export const useSigningIn = create<{ asked: boolean }>(() => ({ asked: false }));
