import type { components } from '../api/schema';

type Schemas = components['schemas'];
export type GuestPageData = Schemas['GuestPage'];
export type GuestClip = Schemas['GuestClip'];
export type GuestRemark = Schemas['GuestRemark'];

/** A refusal with a message for the guest. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

async function ask<T>(path: string, body?: unknown): Promise<T> {
  let answer: Response;
  try {
    answer = await fetch(`/api/proof/${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  } catch {
    throw new Refused(0, 'There is no answer; what you wrote is still here. Try again in a moment.');
  }
  const text = await answer.text();
  if (!answer.ok) {
    let message = 'Something went wrong; try again in a moment.';
    try {
      message = JSON.parse(text).message || message;
    } catch {
      // Not every refusal carries a message of ours.
    }
    throw new Refused(answer.status, message);
  }
  return (text ? JSON.parse(text) : undefined) as T;
}

/**
 * What a guest of one link can see and say.
 *
 * @param noted whether what they look at counts as their last look
 */
export const guestOf = (token: string, noted: boolean) => ({
  page: () => ask<GuestPageData>(token),
  enter: (password: string) => ask<void>(`${token}/entry`, { password }),
  clip: (id: number) => ask<GuestClip>(`${token}/clips/${id}?noted=${noted}`),
  film: (id: number, file: number) => `/api/proof/${token}/clips/${id}/film?of=${file}`,
  still: (id: number, file: number) => `/api/proof/${token}/clips/${id}/still?of=${file}`,
  taken: (id: number, what: 'film' | 'txt' | 'srt' | 'vtt') =>
    what === 'film'
      ? `/api/proof/${token}/clips/${id}/film?download=true`
      : `/api/proof/${token}/clips/${id}/words.${what}`,
  remark: (id: number, author: string, text: string, fileUs: number) =>
    ask<GuestClip>(`${token}/clips/${id}/remarks`, { author, text, fileUs }),
  answer: (id: number, remark: number, author: string, text: string) =>
    ask<GuestClip>(`${token}/clips/${id}/remarks/${remark}/answers`, { author, text, fileUs: 0 }),
  say: (id: number, approved: boolean, author: string, file: number) =>
    ask<GuestClip>(`${token}/clips/${id}/verdict`, { approved, author, file }),
});

export type Guest = ReturnType<typeof guestOf>;
