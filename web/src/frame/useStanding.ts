import { useMemo } from 'react';
import type { ClipState, Preview, TranscriptColumns } from '../api/client';
import { FramePath } from '../plate/framePath';
import { usePlayhead } from '../plate/playhead';
import { clipProgramme } from '../plate/programme';
import { ordered, useWorkbench } from '../workbench/store';
import type { Standing } from './reach';

/** Where the playhead stands in the framing of the open clip; told anew with each segment, not with each frame. */
export function useStanding(
  clip: ClipState,
  preview: Preview | null,
  transcript: TranscriptColumns | null,
): Standing | null {
  const programme = useMemo(() => preview && clipProgramme(clip, preview, false), [clip, preview]);
  const path = useMemo(() => new FramePath(preview?.path ?? []), [preview]);
  const rate = programme?.rate ?? 25;
  const segmentOf = (us: number) => {
    const frame = Math.floor((us / 1e6) * rate + 1e-6);
    return path.segmentAt(Math.max(0, Math.min(frame, lastFrame(path)))) ?? null;
  };
  const segment = usePlayhead((s) => segmentOf(s.programmeUs));
  const selection = useWorkbench((s) => s.selection);
  return useMemo(() => {
    if (!programme || !segment) return null;
    const [first, last] = selection ? ordered(selection) : [0, 0];
    const selected =
      selection && transcript ? { startUs: transcript.startUs[first], endUs: transcript.endUs[last] } : null;
    return {
      clip,
      programme,
      path,
      segment,
      selected,
      several: first !== last ? selected : null,
      get atUs() {
        return usePlayhead.getState().episodeUs;
      },
    };
  }, [clip, programme, path, segment, selection, transcript]);
}

const lastFrame = (path: FramePath) => {
  const last = path.segments.at(-1);
  return last ? last.clipFrame + last.count - 1 : 0;
};
