import { create } from 'zustand';

/** What became of the renderings that were under way together. */
export interface Batch {
  finished: number;
  /** Made, but something is wrong with them. */
  wrong: number;
  failed: number;
}

/** The batch that was done last and has not been looked at. */
export const useBatch = create<{ done: Batch | null }>(() => ({ done: null }));

const WISHED = 'tell-when-done';

/** Whether this browser is to say so outside its window. */
export const isToldByBrowser = () =>
  'Notification' in globalThis && Notification.permission === 'granted' && localStorage.getItem(WISHED) === 'yes';

/** Has the browser say so from now on, or not; answers what it lets us. */
export async function wishTold(wished: boolean): Promise<boolean> {
  if (wished && 'Notification' in globalThis) await Notification.requestPermission();
  localStorage.setItem(WISHED, wished ? 'yes' : 'no');
  return isToldByBrowser();
}

const files = (count: number) => `${count} file${count === 1 ? '' : 's'}`;

export function batchText({ finished, wrong, failed }: Batch): string {
  const parts = [[finished, 'ready'] as const, [wrong, 'not right'] as const, [failed, 'failed'] as const].filter(
    ([count]) => count > 0,
  );
  return `${parts.map(([count, what], i) => `${i ? count : files(count)} ${what}`).join(', ')}.`;
}

export function tellBatch(done: Batch) {
  useBatch.setState({ done });
  if (isToldByBrowser() && document.hidden) new Notification('Paring Knife', { body: batchText(done) });
}
