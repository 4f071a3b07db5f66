import { useState } from 'react';
import type { Corrections } from '../workbench/corrections';

/** The name over a turn; a click lets it be changed, for all that this speaker says. */
export function SpeakerName({
  margin,
  speaker,
  name,
  corrections,
}: {
  margin: number;
  speaker: number;
  name: string;
  corrections: Corrections;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const style = { marginLeft: margin, color: `var(--speaker-${Math.max(0, speaker) % 4})` };
  if (typed === null) {
    return (
      <button
        className="self-end pb-0.5 text-[12px] font-semibold"
        style={style}
        title="Name this speaker"
        onClick={() => setTyped(speaker < 0 ? '' : name)}
      >
        {name}
      </button>
    );
  }
  const keep = () => {
    if (typed.trim() && typed.trim() !== name) void corrections.correct({ type: 'nameSpeaker', speaker, name: typed });
    setTyped(null);
  };
  return (
    <input
      className="self-end rounded border border-accent bg-paper px-1 text-[12px] font-semibold outline-none"
      style={style}
      autoFocus
      aria-label="Name of this speaker"
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') keep();
        if (e.key === 'Escape') setTyped(null);
      }}
    />
  );
}
