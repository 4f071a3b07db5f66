import { useEffect, useMemo, useRef, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type Lettering } from '../api/client';
import { useCaptionFonts } from '../plate/fonts';
import { useChanges } from '../workbench/changes';
import { SpecimenPress } from './SpecimenPress';

const SIZE = { width: 162, height: 63 };

/** The letterings, each set in one of the clip's own captions over its own picture; what is pointed at moves. */
export function SpecimenSheet({ clip, largeFonts }: { clip: ClipState; largeFonts: string[] | undefined }) {
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity });
  const fonts = useCaptionFonts(largeFonts);
  const press = useMemo(() => (fonts ? new SpecimenPress(fonts, SIZE) : null), [fonts]);
  const host = useRef<HTMLDivElement>(null);
  useEffect(() => press?.mount(host.current!), [press]);
  return (
    <section className="border-t border-rule bg-paper px-5 pt-2 pb-2.5" aria-label="Letterings">
      <h2 className="label">Letterings, in this clip’s own words</h2>
      <div className="relative mt-1.5 flex gap-2 overflow-x-auto pb-1">
        <div ref={host} className="pointer-events-none absolute opacity-0" style={SIZE} aria-hidden="true" />
        {press &&
          letterings.data?.letterings.map((l) => <Specimen key={l.id} lettering={l} clip={clip} press={press} />)}
      </div>
    </section>
  );
}

function Specimen({ lettering, clip, press }: { lettering: Lettering; clip: ClipState; press: SpecimenPress }) {
  const { change } = useChanges();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [pointedAt, setPointedAt] = useState(false);
  const chosen = clip.lettered.lettering === lettering.id;
  const specimen = useQuery({
    // Only the chosen one looks otherwise after an edit; the others would be worked out anew for nothing.
    queryKey: ['specimen', clip.id, lettering.id, chosen ? clip.revision : null],
    queryFn: () => api.specimen(clip.id, lettering.id),
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: (before) => before,
  });
  useEffect(() => {
    if (!specimen.data || !canvas.current) return;
    return press.show(canvas.current, specimen.data, pointedAt);
  }, [press, specimen.data, pointedAt]);
  return (
    <button
      className={`shrink-0 rounded-md border-2 p-0.5 ${chosen ? 'border-accent' : 'border-transparent'}`}
      aria-pressed={chosen}
      title={lettering.name}
      onClick={() => void change({ type: 'letter', lettering: lettering.id })}
      onPointerEnter={() => setPointedAt(true)}
      onPointerLeave={() => setPointedAt(false)}
      onFocus={() => setPointedAt(true)}
      onBlur={() => setPointedAt(false)}
    >
      <canvas
        ref={canvas}
        {...{ width: SIZE.width * 2, height: SIZE.height * 2 }}
        className="block rounded-sm bg-[#5d6c70]"
        style={SIZE}
        aria-hidden="true"
      />
      <span className="mt-0.5 block text-[12px] text-soft">{lettering.name}</span>
    </button>
  );
}
