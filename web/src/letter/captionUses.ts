import type { ClipState } from '../api/client';

type CaptionUse = NonNullable<ClipState['lettered']['use']>;

/** Where captions can go. */
export const CAPTION_USES: { value: CaptionUse; name: string }[] = [
  { value: 'BOTH', name: 'in and beside' },
  { value: 'BURNT', name: 'into the picture' },
  { value: 'BESIDE', name: 'into a file' },
  { value: 'NONE', name: 'nowhere' },
];
