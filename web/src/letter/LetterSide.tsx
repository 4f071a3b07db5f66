import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type Cue } from '../api/client';
import { Choice } from '../frame/Choice';
import { BreakingPanel } from './BreakingPanel';
import { HousePanel } from './HousePanel';
import { KeyWordPanel } from './KeyWordPanel';
import { StylePanel } from './StylePanel';

/** How the captions of a clip look and how they are broken. */
export function LetterSide({ clip, cues }: { clip: ClipState; cues: Cue[] }) {
  const [part, setPart] = useState<'look' | 'breaks' | 'keys' | 'house'>('look');
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity });
  const specimens = letterings.data;
  if (!specimens) return null;
  const name = specimens.letterings.find((l) => l.id === clip.lettered.lettering)?.name;
  return (
    <section className="grid gap-3">
      <Choice
        label={`${name}${clip.lettered.style || clip.lettered.breaking ? ', changed for this clip' : ''}`}
        value={part}
        options={[
          { value: 'look', name: 'How it looks' },
          { value: 'breaks', name: 'How it breaks' },
          { value: 'keys', name: 'Key words' },
          { value: 'house', name: 'For the show' },
        ]}
        onChoose={setPart}
      />
      {part === 'look' && <StylePanel clip={clip} specimens={specimens} />}
      {part === 'breaks' && <BreakingPanel clip={clip} cues={cues} specimens={specimens} />}
      {part === 'keys' && <KeyWordPanel clip={clip} />}
      {part === 'house' && <HousePanel clip={clip} />}
    </section>
  );
}
