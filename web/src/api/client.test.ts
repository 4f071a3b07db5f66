import { afterEach, describe, expect, it, vi } from 'vitest';
import { signedIn, useSigningIn } from '../team/signingIn';
import { api, SIGNED_OUT } from './client';

describe('whoever has been signed out', () => {
  afterEach(() => vi.unstubAllGlobals());

  /** What is sent is refused when the test says so. */
  function sent() {
    let refuse = () => {};
    vi.stubGlobal('fetch', () => {
      return new Promise<Response>((answer) => {
        refuse = () => answer(new Response('', { status: SIGNED_OUT }));
      });
    });
    const answer = expect(api.shelf()).rejects.toMatchObject({ status: SIGNED_OUT });
    return async () => {
      refuse();
      await answer;
    };
  }

  it('is asked once, though an answer from before the sign-in comes late', async () => {
    const first = sent();
    const late = sent();
    await first();
    expect(useSigningIn.getState().asked).toBe(true);
    signedIn();
    await late();
    expect(useSigningIn.getState().asked).toBe(false);
    await sent()();
    expect(useSigningIn.getState().asked).toBe(true);
  });
});
