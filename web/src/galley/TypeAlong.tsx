import { useEffect, useRef, useState } from 'react';
import { X } from 'lucide-react';
import { usePlayback } from '../plate/Playback';
import { usePlayhead } from '../plate/playhead';
import { clock } from '../ui/time';
import type { Corrections } from '../workbench/corrections';
import { useWorkbench } from '../workbench/store';

const GOES_ON_AFTER_MS = 900;
const STEPS_BACK_US = 400_000;

/** Typing what is heard: the player stops while keys are pressed and goes on after. */
export function TypeAlong({
  corrections,
  speakers,
  onClose,
}: {
  corrections: Corrections;
  speakers: string[];
  onClose: () => void;
}) {
  const playback = usePlayback();
  const [text, setText] = useState('');
  const [speaker, setSpeaker] = useState('');
  const [from, setFrom] = useState(() => usePlayhead.getState().episodeUs);
  const fromUs = useRef(from);
  const resume = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useEffect(() => () => clearTimeout(resume.current), []);
  const setPlaying = (playing: boolean) => {
    if (playback.isPlaying !== playing) playback.toggle();
    useWorkbench.setState({ playing });
  };
  const typed = (value: string) => {
    if (!text && value) begin(Math.min(fromUs.current, usePlayhead.getState().episodeUs));
    setText(value);
    const waits = resume.current !== undefined;
    if (playback.isPlaying || waits) {
      setPlaying(false);
      clearTimeout(resume.current);
      resume.current = setTimeout(() => {
        resume.current = undefined;
        playback.seekEpisode(Math.max(0, usePlayhead.getState().episodeUs - STEPS_BACK_US));
        setPlaying(true);
      }, GOES_ON_AFTER_MS);
    }
  };
  const begin = (us: number) => {
    fromUs.current = us;
    setFrom(us);
  };
  const put = () => {
    if (!text.trim()) return;
    const to = Math.max(usePlayhead.getState().episodeUs, fromUs.current + 300_000);
    void corrections.correct({ type: 'typeIn', text, startUs: fromUs.current, endUs: to, speaker });
    begin(to);
    setText('');
  };
  return (
    <section
      className="flex items-end gap-3 border-t border-rule bg-desk px-5 py-3"
      aria-label="Type along"
      data-testid="type-along"
    >
      <div className="w-[130px]">
        <span className="label">Said by</span>
        <input
          className="field mt-0.5"
          list="speakers"
          aria-label="Said by"
          value={speaker}
          onChange={(e) => setSpeaker(e.target.value)}
        />
        <datalist id="speakers">
          {speakers.map((s) => (
            <option key={s} value={s} />
          ))}
        </datalist>
      </div>
      <label className="flex-1">
        <span className="label">What is said from {clock(from)} on</span>
        <textarea
          className="field mt-0.5 h-[58px] font-serif text-[16px]"
          autoFocus
          value={text}
          placeholder="Play, and type. Enter puts a paragraph into the text."
          onChange={(e) => typed(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter' && !e.shiftKey) {
              e.preventDefault();
              put();
            }
            if (e.key === 'Escape') onClose();
            if (e.key === 'Tab' && !e.shiftKey) {
              e.preventDefault();
              clearTimeout(resume.current);
              resume.current = undefined;
              setPlaying(!playback.isPlaying);
            }
          }}
        />
      </label>
      <div className="flex flex-col gap-1.5 pb-0.5 text-[12.5px]">
        <button className="button" onClick={() => setPlaying(!playback.isPlaying)}>
          Play or stop <span className="text-faint">Tab</span>
        </button>
        <button className="button flex items-center justify-center gap-1" onClick={onClose}>
          <X size={13} /> Close
        </button>
      </div>
    </section>
  );
}
