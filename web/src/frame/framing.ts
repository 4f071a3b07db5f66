import { create } from 'zustand';
import type { ClipState, EpisodeCard } from '../api/client';
import type { Window } from '../plate/framePath';
import { cameraOf } from './cameras';

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

/** What was recorded, in pixels; of several cameras their pictures side by side. */
export interface Recorded {
  width: number;
  height: number;
  cameras: EpisodeCard['cameras'];
}

/** A window moved and made to fit so that it lies within the picture of the camera that its middle is in. */
export function within(window: Window, { height: all, cameras }: Recorded): Window {
  const picture = cameras[cameraOf(window, cameras)];
  const ratio = window.width / window.height;
  const most = Math.min(picture.height, picture.width / ratio);
  const height = Math.min(most, Math.max(LEAST_HEIGHT * all, window.height));
  const width = height * ratio;
  const inside = (from: number, length: number, at: number, size: number) =>
    Math.max(from, Math.min(from + length - size, at));
  return {
    x: inside(picture.x, picture.width, window.x + (window.width - width) / 2, width),
    y: inside(picture.y, picture.height, window.y + (window.height - height) / 2, height),
    width,
    height,
  };
}

export const sameLayout = (a: Layout, b: Layout) => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));
const sorted = (layout: Layout) => Object.fromEntries(Object.entries(layout).sort(([a], [b]) => a.localeCompare(b)));
