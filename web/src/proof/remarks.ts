import { useQuery } from '@tanstack/react-query';
import { api, type Remark, type TranscriptColumns } from '../api/client';
import { wordAt } from '../galley/setLines';

const NONE: Remark[] = [];

/** What was remarked of a clip; nothing while no clip is open. */
export function useRemarks(clipId: number | undefined): Remark[] {
  const remarks = useQuery({
    queryKey: ['remarks', clipId],
    queryFn: () => api.remarks(clipId!),
    enabled: clipId !== undefined,
  });
  return remarks.data ?? NONE;
}

/** The word of the transcript that a remark is pinned to; -1 before the first. */
export const remarkedWord = (remark: Remark, transcript: TranscriptColumns) =>
  wordAt(transcript.startUs, remark.sourceUs + 1);

/** The words that open remarks are pinned to, in order. */
export const openWords = (remarks: Remark[], transcript: TranscriptColumns): number[] =>
  [...new Set(remarks.filter((r) => r.answers === null && r.doneAt === null).map((r) => remarkedWord(r, transcript)))]
    .filter((w) => w >= 0)
    .sort((a, b) => a - b);

/** The next word with an open remark after a place, or before it; from the other end where there is none. */
export function nextRemarked(words: number[], from: number, by: 1 | -1): number | null {
  if (!words.length) return null;
  const next = by > 0 ? words.find((w) => w > from) : words.findLast((w) => w < from);
  return next ?? (by > 0 ? words[0] : words[words.length - 1]);
}
