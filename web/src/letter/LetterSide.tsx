import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type Cue, type Preview, type TranscriptColumns } from '../api/client';
import { BesidePanel } from '../dress/BesidePanel';
import { LogoPanel } from '../dress/LogoPanel';
import { Choice } from '../frame/Choice';
import { BreakingPanel } from './BreakingPanel';
import { HousePanel } from './HousePanel';
import { KeyWordPanel } from './KeyWordPanel';
import { LanguagePanel } from './LanguagePanel';
import { shapeOf } from './placing';
import { StylePanel } from './StylePanel';
import { useCaptionStanding } from './useCaptionStanding';
import { WaitingList } from './WaitingList';

/** What WCAG 2.2 asks for of large text. */
const LEAST_CONTRAST = 3;

const USUAL_FRAME_US = 40_000;

/** How the captions of a clip look and how they are broken. */
export function LetterSide({
  clip,
  cues,
  transcript,
  preview,
}: {
  clip: ClipState;
  cues: Cue[];
  transcript: TranscriptColumns;
  preview: Preview | null;
}) {
  const [part, setPart] = useState<'look' | 'breaks' | 'keys' | 'beside' | 'languages' | 'house'>('look');
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity });
  const contrast = useCaptionStanding(clip)?.contrast ?? null;
  const specimens = letterings.data;
  const frameUs = preview ? (1e6 * preview.frameRateDenominator) / preview.frameRateNumerator : USUAL_FRAME_US;
  const shape = preview ? shapeOf(preview.canvas) : clip.framed.shape;
  if (!specimens) return null;
  const name = specimens.letterings.find((l) => l.id === clip.lettered.lettering)?.name;
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <Choice
        label={`${name}${clip.lettered.style || clip.lettered.breaking ? ', changed for this clip' : ''}`}
        value={part}
        options={[
          { value: 'look', name: 'How it looks' },
          { value: 'breaks', name: 'How it breaks' },
          { value: 'keys', name: 'Key words' },
          { value: 'beside', name: 'Names, call-outs' },
          { value: 'languages', name: 'Languages' },
          { value: 'house', name: 'For the show' },
        ]}
        onChoose={setPart}
      />
      {contrast !== null && contrast < LEAST_CONTRAST && (
        <p className="text-[12.5px] font-medium text-accent">
          The text hardly stands out from what is behind it: {contrast.toFixed(1)} to 1, where 3 to 1 is the least.
        </p>
      )}
      {part === 'look' && <StylePanel clip={clip} specimens={specimens} speakers={transcript.speakers} shape={shape} />}
      {part === 'breaks' && <BreakingPanel clip={clip} cues={cues} specimens={specimens} />}
      {part === 'breaks' && <WaitingList clip={clip} transcript={transcript} />}
      {part === 'keys' && <KeyWordPanel clip={clip} />}
      {part === 'beside' && <BesidePanel clip={clip} transcript={transcript} />}
      {part === 'languages' && <LanguagePanel clip={clip} spoken={transcript.language} frameUs={frameUs} />}
      {part === 'house' && <HousePanel clip={clip} />}
      {part === 'house' && <LogoPanel clip={clip} />}
    </section>
  );
}
