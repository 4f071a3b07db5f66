import { useState } from 'react';

const KEPT = 'proofName';

const kept = () => localStorage.getItem(KEPT) ?? '';
export const keepName = (name: string) => localStorage.setItem(KEPT, name);

/** Who a guest is: asked once, when they first say something, and kept in their browser. */
export function useGuestName() {
  const [waiting, setWaiting] = useState<((name: string) => void) | null>(null);
  const withName = (act: (name: string) => void) => {
    const name = kept();
    if (name) act(name);
    else setWaiting(() => act);
  };
  const asking = waiting && (
    <form
      className="mb-2 flex gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        const name = (new FormData(e.currentTarget).get('name') as string).trim();
        if (!name) return;
        keepName(name);
        setWaiting(null);
        waiting(name);
      }}
    >
      <input
        name="name"
        className="field"
        placeholder="Who says so? Your name"
        aria-label="Your name"
        maxLength={80}
        autoFocus
      />
      <button className="button">Go on</button>
    </form>
  );
  return { name: kept(), asking, withName };
}
