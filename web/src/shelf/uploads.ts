import * as tus from 'tus-js-client';
import { create } from 'zustand';
import { api, Refusal, type MediaFile } from '../api/client';

/** A file on its way to the server. */
export interface Sending {
  key: number;
  name: string;
  bytes: number;
  sent: number;
  /** Bytes a second, as of late; 0 while nothing moves. */
  pace: number;
  state: 'sending' | 'paused' | 'waiting' | 'done' | 'failed';
  problem: string;
}

interface Uploads {
  files: Sending[];
}

export const useUploads = create<Uploads>(() => ({ files: [] }));

/** How often a broken connection is tried again: for about a quarter of an hour. */
const ATTEMPTS = 220;

const running = new Map<number, tus.Upload>();
let nextKey = 1;

const update = (key: number, change: Partial<Sending>) =>
  useUploads.setState((s) => ({ files: s.files.map((f) => (f.key === key ? { ...f, ...change } : f)) }));

/** The reason that the server gave for a refusal; empty when it gave none. */
function saidBy(response: tus.HttpResponse | null): string {
  try {
    return (JSON.parse(response?.getBody() ?? '') as { message?: string }).message ?? '';
  } catch {
    return '';
  }
}

/**
 * Sends a file by the tus protocol. A broken connection is tried again by itself; after a restart of
 * the browser the same file goes on from where it was.
 */
export async function sendFile(file: File, arrived: (stored: MediaFile) => void) {
  const key = nextKey++;
  useUploads.setState((s) => ({
    files: [...s.files, { key, name: file.name, bytes: file.size, sent: 0, pace: 0, state: 'sending', problem: '' }],
  }));
  let mark = { at: performance.now(), sent: -1 };
  const upload = new tus.Upload(file, {
    endpoint: '/api/tus',
    metadata: { filename: file.name },
    retryDelays: [0, 1_000, 2_000, ...Array<number>(ATTEMPTS).fill(4_000)],
    removeFingerprintOnSuccess: true,
    onProgress: (sent) => {
      const now = performance.now();
      if (mark.sent < 0) mark = { at: now, sent };
      const passed = (now - mark.at) / 1000;
      const pace = passed > 0.5 ? (sent - mark.sent) / passed : 0;
      if (passed > 8) mark = { at: now, sent };
      update(key, { sent, state: 'sending', ...(pace ? { pace } : {}) });
    },
    onShouldRetry: (error) => {
      const status = error.originalResponse?.getStatus() ?? 0;
      update(key, { state: 'waiting', pace: 0 });
      return status === 0 || status >= 500 || status === 423 || status === 409;
    },
    onError: (error) =>
      update(key, {
        state: 'failed',
        pace: 0,
        problem:
          ('originalResponse' in error && saidBy(error.originalResponse)) ||
          'The connection broke. What was sent is kept: send the file again and it goes on.',
      }),
    onSuccess: () => void finish(),
  });
  /** Has the whole file put in its place; a server that is away is asked again. */
  const finish = async (attempt = 0): Promise<void> => {
    try {
      const stored = await api.finishUpload(upload.url!);
      update(key, { sent: file.size, state: 'done', pace: 0 });
      arrived(stored);
    } catch (error) {
      const away = error instanceof Refusal && (error.status === 0 || error.status >= 500);
      if (away && attempt < ATTEMPTS) {
        update(key, { sent: file.size, state: 'waiting', pace: 0 });
        await new Promise((next) => setTimeout(next, 4_000));
        return finish(attempt + 1);
      }
      update(key, { state: 'failed', problem: (error as Error).message });
    }
  };
  running.set(key, upload);
  const before = await upload.findPreviousUploads();
  if (before.length) upload.resumeFromPreviousUpload(before[0]);
  upload.start();
}

export function pauseSending(key: number) {
  void running.get(key)?.abort();
  update(key, { state: 'paused', pace: 0 });
}

export function goOnSending(key: number) {
  running.get(key)?.start();
  update(key, { state: 'sending', problem: '' });
}

export function giveUpSending(key: number) {
  void running
    .get(key)
    ?.abort(true)
    .catch(() => undefined);
  running.delete(key);
  useUploads.setState((s) => ({ files: s.files.filter((f) => f.key !== key) }));
}
