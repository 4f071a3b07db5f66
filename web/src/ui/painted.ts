import { useEffect, useState } from 'react';

const UNSEEN_MS = 60;

/** After the next frame is on the screen; a page in the background has none and does not wait for it. */
export const painted = () =>
  new Promise<void>((done) => {
    const unseen = setTimeout(done, UNSEEN_MS);
    requestAnimationFrame(() =>
      setTimeout(() => {
        clearTimeout(unseen);
        done();
      }, 0),
    );
  });

/** Whether something that is there has been on the screen. */
export function usePainted(there: boolean): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (there) void painted().then(() => setSeen(true));
  }, [there]);
  return there && seen;
}
