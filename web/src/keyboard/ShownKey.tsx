import { keyFor, keyName, useKeyMap } from './keyMap';

/** The key to press for one of ours, beside what it does. */
export function ShownKey({ ours }: { ours: string }) {
  const map = useKeyMap();
  return <kbd className="font-sans text-[11px] text-faint">{keyName(keyFor(ours, map))}</kbd>;
}
