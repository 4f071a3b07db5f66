import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type ClipState } from '../api/client';
import { secondsText } from '../ui/time';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';
import { StepList } from './StepList';

/** States of the clip that were kept: compared with the present one, and returned to. */
export function VersionsPanel({ clip }: { clip: ClipState }) {
  const { returnToVersion } = useChanges();
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const [open, setOpen] = useState<number | null>(null);
  const [other, setOther] = useState<number | null>(null);
  const versions = useQuery({
    queryKey: ['versions', clip.id, clip.revision],
    queryFn: () => api.versions(clip.id),
    placeholderData: (before) => before,
  });
  const comparison = useQuery({
    queryKey: ['comparison', clip.id, clip.revision, open, other],
    queryFn: () => api.compareVersion(clip.id, open!, other),
    placeholderData: (before) => before,
    enabled: open !== null,
  });
  const keep = async () => {
    await api.keepVersion(clip.id, name);
    setName('');
    await queries.invalidateQueries({ queryKey: ['versions', clip.id] });
  };
  const duplicate = async () => {
    const made = await api.duplicate(clip.id);
    await queries.invalidateQueries({ queryKey: ['clips'] });
    useWorkbench.setState({ message: `Duplicated: ${made.delivered.title}` });
  };
  return (
    <>
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <input
          className="field"
          placeholder="keep the clip as it is now, under a name"
          aria-label="Name of the version"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <button className="button" disabled={!name.trim()}>
          Keep
        </button>
        <button type="button" className="button" onClick={() => void duplicate()}>
          Duplicate
        </button>
      </form>
      {versions.data?.length === 0 && (
        <p className="mt-3 text-soft">None yet. Before each sweeping step one is kept by itself.</p>
      )}
      <ul className="mt-2 max-h-72 overflow-y-auto">
        {versions.data?.map((v) => (
          <li key={v.id} className="border-b border-rule py-1.5">
            <div className="flex items-center gap-3">
              <button
                className={`flex-1 text-left ${v.automatic ? 'text-soft' : 'font-medium'}`}
                aria-expanded={open === v.id}
                onClick={() => {
                  setOpen(open === v.id ? null : v.id);
                  setOther(null);
                }}
              >
                {v.name}
              </button>
              <span className="text-[12px] text-faint tabular-nums">
                {new Date(v.madeAt).toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit', hour12: false })}
              </span>
              <span className="w-14 text-right tabular-nums">{secondsText(v.lengthUs)}</span>
              <button className="link" onClick={() => void returnToVersion(v.id)}>
                return
              </button>
            </div>
            {open === v.id && comparison.data && (
              <>
                <label className="mt-1.5 flex items-center gap-2 text-soft">
                  beside
                  <select
                    className="field w-auto"
                    aria-label="Compare with"
                    value={other ?? ''}
                    onChange={(e) => setOther(e.target.value ? Number(e.target.value) : null)}
                  >
                    <option value="">the clip as it is now</option>
                    {versions.data
                      .filter((x) => x.id !== v.id)
                      .map((x) => (
                        <option key={x.id} value={x.id}>
                          {x.name}, {secondsText(x.lengthUs)}
                        </option>
                      ))}
                  </select>
                </label>
                <div className="mt-2 grid grid-cols-2 gap-4" data-testid="comparison">
                  <Side
                    title={v.name}
                    lengthUs={comparison.data.firstLengthUs}
                    words={comparison.data.words.map((w) => ({
                      text: w.text,
                      kept: w.inFirst,
                      differs: w.inFirst !== w.inSecond,
                    }))}
                  />
                  <Side
                    title={other === null ? 'now' : (versions.data.find((x) => x.id === other)?.name ?? '')}
                    lengthUs={comparison.data.secondLengthUs}
                    words={comparison.data.words.map((w) => ({
                      text: w.text,
                      kept: w.inSecond,
                      differs: w.inFirst !== w.inSecond,
                    }))}
                  />
                </div>
              </>
            )}
          </li>
        ))}
      </ul>
      <StepList clip={clip} />
    </>
  );
}

function Side({
  title,
  lengthUs,
  words,
}: {
  title: string;
  lengthUs: number;
  words: { text: string; kept: boolean; differs: boolean }[];
}) {
  return (
    <div>
      <div className="label flex justify-between">
        {title} <span className="tabular-nums">{secondsText(lengthUs)}</span>
      </div>
      <p className="mt-1 max-h-60 overflow-y-auto font-serif text-[14px] leading-relaxed">
        {words.map((w, i) => (
          <span key={i} className={`${w.kept ? '' : 'text-faint line-through'} ${w.differs ? 'bg-wash' : ''}`}>
            {w.text}{' '}
          </span>
        ))}
      </p>
    </div>
  );
}
