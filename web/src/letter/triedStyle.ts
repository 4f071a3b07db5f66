import { create } from 'zustand';
import type { Style } from '../api/client';

/** How captions look that are only being tried, before it is kept. */
export const useTriedStyle = create<{ style: Style | null }>(() => ({ style: null }));
