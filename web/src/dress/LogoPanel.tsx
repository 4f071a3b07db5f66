import { useRef } from 'react';
import { api, type ClipState, type Logo } from '../api/client';
import { Choice } from '../frame/Choice';
import { amounts } from '../ui/amounts';
import { useAsking } from '../ui/useAsking';
import { useChanges } from '../workbench/changes';
import { useTriedLogo } from './triedLogo';

const CORNERS: { value: Logo['corner']; name: string }[] = [
  { value: 'TOP_LEFT', name: 'Top left' },
  { value: 'TOP_RIGHT', name: 'Top right' },
  { value: 'BOTTOM_LEFT', name: 'Bottom left' },
  { value: 'BOTTOM_RIGHT', name: 'Bottom right' },
];

const begun = (picture: string, aspect: number, before: Logo | null): Logo => ({
  corner: 'TOP_LEFT',
  size: 0.14,
  opacity: 0.9,
  ...before,
  picture,
  aspect,
});

/** A logo in a corner of the film: which picture, where, how large. */
export function LogoPanel({ clip }: { clip: ClipState }) {
  const picker = useRef<HTMLInputElement>(null);
  const { change } = useChanges();
  const { problem, ask } = useAsking('logos');
  const tried = useTriedLogo((s) => s.logo);
  const kept = clip.laidOver.logo;
  const logo = tried ?? kept;
  const lay = (next: Logo | null) =>
    change({ type: 'layLogo', logo: next }).finally(() => useTriedLogo.setState({ logo: null }));
  const keep = (part: Partial<Logo>) => {
    if (!logo) return;
    const next = { ...logo, ...part };
    useTriedLogo.setState({ logo: next });
    void lay(next);
  };
  const amount = amounts<Partial<Logo>>((part) => logo && useTriedLogo.setState({ logo: { ...logo, ...part } }), keep);
  return (
    <div className="grid gap-2" role="group" aria-label="Logo">
      <span className="label">Logo</span>
      <input
        ref={picker}
        type="file"
        className="hidden"
        accept=".png,.jpg,.jpeg,image/png,image/jpeg"
        aria-label="Picture of the logo"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          e.target.value = '';
          if (file)
            void ask(async () => {
              const { picture, aspect } = await api.addLogo(file);
              await lay(begun(picture, aspect, kept));
            });
        }}
      />
      <div className="flex flex-wrap items-center gap-1.5">
        {logo && (
          <span className="grid h-9 w-14 place-items-center overflow-hidden rounded border border-rule bg-steel p-1">
            <img src={`/api/logos/${logo.picture}`} alt="The logo" className="max-h-full max-w-full" />
          </span>
        )}
        <button className="button button-small" onClick={() => picker.current?.click()}>
          {logo ? 'Another picture' : 'Choose a picture'}
        </button>
        {logo && (
          <button className="button button-small" onClick={() => void lay(null)}>
            Take away
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="text-accent">
          {problem}
        </p>
      )}
      {logo && (
        <>
          <Choice label="Corner" value={logo.corner} options={CORNERS} onChoose={(corner) => keep({ corner })} />
          {amount('Size, %', logo.size * 100, 4, 50, (size) => ({ size: size / 100 }))}
          {amount('Opacity, %', logo.opacity * 100, 10, 100, (opacity) => ({ opacity: opacity / 100 }))}
        </>
      )}
    </div>
  );
}
