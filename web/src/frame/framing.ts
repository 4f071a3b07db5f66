import { create } from 'zustand';
import type { ClipState } from '../api/client';
import type { Window } from '../plate/framePath';

export type Framed = ClipState['framed'];
export type Layout = Framed['layout'];
export type Shown = Framed['set'][number]['shown'];
export type Extent = Framed['set'][number]['extent'];
export type PlacedWindow = Extract<Shown, { type: 'still' }>['window'];
export type Arrangement = Extract<Layout, { type: 'together' }>['arrangement'];
export type PushIn = Framed['pushIns'][number];
export type Curve = PushIn['curve'];

/** How far something that is set reaches. */
export type Reach = 'stretch' | 'fromHere' | 'shot' | 'speaking' | 'clip' | 'episode';

interface FramingDesk {
  reach: Reach;
  /** Where a window begins to travel from, once that was said. */
  travelFrom: { window: PlacedWindow; atUs: number } | null;
}

/** What the Frame stage's screen shows. */
export const useFraming = create<FramingDesk>(() => ({ reach: 'stretch', travelFrom: null }));

const LEAST_HEIGHT = 0.1;

/** A window of the picture as it is kept, whatever the shape. */
export function placed(window: Window, recorded: { width: number; height: number }): PlacedWindow {
  const share = (value: number, least: number) => Math.max(least, Math.min(1, value));
  return {
    middleX: share((window.x + window.width / 2) / recorded.width, 0),
    middleY: share((window.y + window.height / 2) / recorded.height, 0),
    height: share(window.height / recorded.height, LEAST_HEIGHT),
  };
}

/** A window moved and made to fit so that it lies within the picture. */
export function within(window: Window, recorded: { width: number; height: number }): Window {
  const ratio = window.width / window.height;
  const most = Math.min(recorded.height, recorded.width / ratio);
  const height = Math.max(LEAST_HEIGHT * recorded.height, Math.min(most, window.height));
  const width = height * ratio;
  return {
    x: Math.max(0, Math.min(recorded.width - width, window.x + (window.width - width) / 2)),
    y: Math.max(0, Math.min(recorded.height - height, window.y + (window.height - height) / 2)),
    width,
    height,
  };
}

export const sameLayout = (a: Layout, b: Layout) => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));
const sorted = (layout: Layout) => Object.fromEntries(Object.entries(layout).sort(([a], [b]) => a.localeCompare(b)));
