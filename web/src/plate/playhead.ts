import { create } from 'zustand';

/** Where the player is. Changes at every picture, so listeners subscribe rather than render. */
export const usePlayhead = create<{ programmeUs: number; episodeUs: number }>(() => ({
  programmeUs: 0,
  episodeUs: 0,
}));
