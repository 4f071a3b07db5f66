import { create } from 'zustand';

/** The language whose captions are looked at; null for what goes into the picture. */
export const useShownLanguage = create<{ language: string | null }>(() => ({ language: null }));
