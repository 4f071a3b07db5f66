import { useEffect, useRef, useState } from 'react';
import { usePlayback } from '../plate/Playback';
import type { TranscriptColumns } from '../api/client';
import type { Corrections } from '../workbench/corrections';
import { stopCorrecting } from '../workbench/corrections';
import { joined } from '../ui/spacing';

/** A text field in the line itself; Enter keeps what is typed, Escape lets it be. */
export function CorrectField({
  first,
  last,
  transcript,
  corrections,
}: {
  first: number;
  last: number;
  transcript: TranscriptColumns;
  corrections: Corrections;
}) {
  const playback = usePlayback();
  const before = joined(transcript.text.slice(first, last + 1));
  const [text, setText] = useState(before);
  const field = useRef<HTMLInputElement>(null);
  const done = useRef(false);
  useEffect(() => field.current?.select(), []);
  const keep = () => {
    if (done.current) return;
    done.current = true;
    const next = transcript.startUs[last + 1] ?? null;
    if (text.trim() && text.trim() !== before) void corrections.correct({ type: 'replace', first, last, text });
    stopCorrecting(playback, next);
  };
  return (
    <input
      ref={field}
      className="rounded border border-accent bg-paper px-1 font-serif outline-none"
      style={{
        width: `${Math.max(6, text.length + 2)}ch`,
        maxWidth: 520,
        fontSize: 'inherit',
        height: 28,
        lineHeight: '26px',
      }}
      aria-label="Corrected text"
      data-testid="correct-field"
      value={text}
      onChange={(e) => setText(e.target.value)}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') keep();
        if (e.key === 'Escape') {
          done.current = true;
          stopCorrecting(playback, null);
        }
      }}
      onBlur={keep}
    />
  );
}
