import { create } from 'zustand';
import type { Logo } from '../api/client';

/** A logo that is only being tried, on the plate but not kept. */
export const useTriedLogo = create<{ logo: Logo | null }>(() => ({ logo: null }));
