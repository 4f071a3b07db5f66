import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface KeyMap {
  /** Which of our keys a pressed one stands for, where that is another one. No two stand for the same. */
  exchanged: Record<string, string>;
}

/** Keys a person would rather have elsewhere; kept in their browser. */
export const useKeyMap = create<KeyMap>()(persist<KeyMap>(() => ({ exchanged: {} }), { name: 'paring-knife-keys' }));

/** Keys that stay what they are: Tab walks the controls, Escape lets go, and the rest only go with others. */
const FIXED = [
  'Tab',
  'Escape',
  'Shift',
  'Control',
  'Alt',
  'AltGraph',
  'Meta',
  'CapsLock',
  'Dead',
  'Process',
  'Unidentified',
];

const plain = (key: string) => (key.length === 1 ? key.toLowerCase() : key);

/** Which of our keys a pressed one stands for; a capital where a capital was typed. */
export function meantKey({ key }: { key: string }): string {
  const meant = useKeyMap.getState().exchanged[plain(key)];
  if (meant === undefined) return key;
  return key === plain(key) || meant.length > 1 ? meant : meant.toUpperCase();
}

/** The key to press for one of ours. */
export function keyFor(ours: string, { exchanged }: KeyMap = useKeyMap.getState()): string {
  return Object.keys(exchanged).find((pressed) => exchanged[pressed] === ours) ?? ours;
}

/** Puts one of our keys on another; what that did goes to where ours was. False for a key that is fixed. */
export function exchange(ours: string, pressed: string): boolean {
  if (FIXED.includes(pressed)) return false;
  const { exchanged } = useKeyMap.getState();
  const place = plain(pressed);
  const before = keyFor(ours);
  const next = { ...exchanged, [before]: exchanged[place] ?? place, [place]: ours };
  useKeyMap.setState({ exchanged: Object.fromEntries(Object.entries(next).filter(([key, meant]) => key !== meant)) });
  return true;
}

const NAMES: Record<string, string> = { ' ': 'Space', ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓' };

/** How a key is written on screen. */
export const keyName = (key: string) => NAMES[key] ?? (key.length === 1 ? key.toUpperCase() : key);
