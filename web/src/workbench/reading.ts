import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type Paper = 'system' | 'light' | 'dark';
export const TEXT_SIZES = [17, 19, 22, 26];

interface Reading {
  textSize: number;
  paper: Paper;
  follow: boolean;
  /** Where the player was left, by episode. */
  places: Record<number, number>;
}

/** How a person likes to read; kept in their browser. */
export const useReading = create<Reading>()(
  persist<Reading>(() => ({ textSize: 19, paper: 'system', follow: true, places: {} }), {
    name: 'paring-knife-reading',
  }),
);

/** Height of a line of the galley for a text size. */
export const lineHeightOf = (textSize: number) => Math.round(textSize * 1.74);

/** Sets the paper of the whole page. */
export function layPaper(paper: Paper) {
  if (paper === 'system') delete document.documentElement.dataset.paper;
  else document.documentElement.dataset.paper = paper;
}

useReading.subscribe((s) => layPaper(s.paper));
layPaper(useReading.getState().paper);
