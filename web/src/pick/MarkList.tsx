import { useRef, useState } from 'react';
import { Play, X } from 'lucide-react';
import { api, type Mark, type TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock } from '../ui/time';
import { useWorkbench } from '../workbench/store';
import { useFreshMarks, wordsOf } from './marks';
import { joined } from '../ui/spacing';

interface Props {
  episodeId: number;
  transcript: TranscriptColumns;
  marks: Mark[];
  onKeep: (first: number, last: number, title: string) => Promise<void>;
}

/** Stretches marked by hand: named, noted, kept as clips, taken along as a file. */
export function MarkList({ episodeId, transcript, marks, onKeep }: Props) {
  const playback = usePlayback();
  const fresh = useFreshMarks(episodeId);
  const picker = useRef<HTMLInputElement>(null);
  const [sure, setSure] = useState(false);
  const [cleared, setCleared] = useState<Mark[] | null>(null);
  const read = async (file: File | undefined) => {
    if (!file) return;
    try {
      const answer = await api.importMarks(episodeId, file.name, await file.text());
      useWorkbench.setState({ message: [`${answer.marks} marks read from ${file.name}.`, ...answer.mended].join(' ') });
      await fresh();
    } catch (error) {
      useWorkbench.setState({ message: `${file.name}: ${(error as Error).message}` });
    }
  };
  const clear = async () => {
    setCleared(marks);
    await api.removeMarks(
      episodeId,
      marks.map((m) => m.id),
    );
    await fresh();
  };
  const bringBack = async () => {
    for (const m of cleared ?? [])
      await api.addMark(episodeId, {
        startUs: m.startUs,
        endUs: m.endUs,
        state: m.state,
        title: m.title,
        note: m.note,
      });
    setCleared(null);
    await fresh();
  };
  return (
    <div className="mt-2">
      <p className="text-[12.5px] text-soft">[ and ] set in and out while it plays; M marks what is selected.</p>
      <ul className="mt-1">
        {marks.map((m) => {
          const [first, last] = wordsOf(transcript.startUs, m.startUs, m.endUs);
          return (
            <li key={m.id} className="border-b border-rule py-2" data-testid="mark">
              <div className="flex items-center gap-2">
                <button
                  className="flex items-center gap-1 text-[12px] text-soft tabular-nums hover:text-ink"
                  onClick={() => {
                    useWorkbench.getState().select(first, last);
                    playback.seekEpisode(m.startUs);
                  }}
                >
                  <Play size={12} /> {clock(m.startUs)}
                </button>
                <input
                  className="field flex-1 font-serif"
                  defaultValue={m.title}
                  placeholder={joined(transcript.text.slice(first, first + 6))}
                  aria-label="Name of the mark"
                  onBlur={(e) =>
                    e.target.value !== m.title &&
                    void api.changeMark(episodeId, { ...m, title: e.target.value }).then(fresh)
                  }
                />
                <button
                  aria-label="Remove this mark"
                  className="text-faint"
                  onClick={() => void api.removeMarks(episodeId, [m.id]).then(fresh)}
                >
                  <X size={14} />
                </button>
              </div>
              <div className="mt-1 flex items-center gap-2 pl-12">
                <input
                  className="field flex-1 text-[12.5px]"
                  defaultValue={m.note}
                  placeholder="why"
                  aria-label="Note"
                  onBlur={(e) =>
                    e.target.value !== m.note &&
                    void api.changeMark(episodeId, { ...m, note: e.target.value }).then(fresh)
                  }
                />
                <span className="text-[12px] text-soft tabular-nums">{Math.round((m.endUs - m.startUs) / 1e6)} s</span>
                <button
                  className="button"
                  onClick={() =>
                    void onKeep(first, last, m.title)
                      .then(() => api.removeMarks(episodeId, [m.id]))
                      .then(fresh)
                  }
                >
                  Keep
                </button>
              </div>
            </li>
          );
        })}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px]">
        <input
          ref={picker}
          type="file"
          accept=".csv,.edl,.txt"
          className="hidden"
          onChange={(e) => void read(e.target.files?.[0])}
        />
        <button className="link" onClick={() => picker.current?.click()}>
          read from a file
        </button>
        {marks.length > 0 && (
          <>
            <a className="link" href={`/api/episodes/${episodeId}/marks/file?format=csv`}>
              csv
            </a>
            <a className="link" href={`/api/episodes/${episodeId}/marks/file?format=edl`}>
              edl
            </a>
            {sure ? (
              <span className="ml-auto flex gap-2">
                Clear all {marks.length}?
                <button className="link" onClick={() => void clear().then(() => setSure(false))}>
                  clear
                </button>
                <button className="link text-soft" onClick={() => setSure(false)}>
                  keep them
                </button>
              </span>
            ) : (
              <button className="link ml-auto" onClick={() => setSure(true)}>
                clear all {marks.length}
              </button>
            )}
          </>
        )}
      </div>
      {cleared && (
        <p className="mt-2 flex justify-between rounded bg-wash px-3 py-1.5">
          {cleared.length} marks cleared
          <button className="link" onClick={() => void bringBack()}>
            bring them back
          </button>
        </p>
      )}
    </div>
  );
}
