import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type ProofLink } from '../api/client';
import { useAsking } from '../ui/useAsking';
import { useWorkbench } from '../workbench/store';

const DAYS = [
  { days: 3, name: '3 days' },
  { days: 7, name: 'a week' },
  { days: 30, name: '30 days' },
  { days: null, name: 'no end' },
];

const addressOf = (address: string | null, link: ProofLink) => `${address ?? location.origin}/proof/${link.token}`;

/** Shows clips to somebody who has to say yes: links, what became of them, and what was said. */
export function ProofPanel({
  episodeId,
  heading,
  clips,
  onOpen,
}: {
  episodeId: number;
  heading: string;
  clips: { id: number; title: string }[];
  onOpen: (clip: number) => void;
}) {
  const proofs = useQuery({ queryKey: ['proofs', episodeId], queryFn: () => api.proofs(episodeId) });
  const [left, setLeft] = useState<number[]>([]);
  const [days, setDays] = useState<number | null>(7);
  const { problem, ask } = useAsking('proofs');
  const shown = clips.filter((c) => !left.includes(c.id));
  return (
    <div className="grid gap-3" role="group" aria-label="Shown for a yes">
      <h2 className="font-serif text-[18px] font-semibold">Show for a yes</h2>
      <form
        className="grid gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          const form = e.currentTarget;
          const written = new FormData(form);
          void ask(() =>
            api.addProof(episodeId, {
              title: written.get('title') as string,
              clips: shown.map((c) => c.id),
              days,
              downloads: written.get('downloads') === 'on',
              password: (written.get('password') as string) || null,
              asks: written.get('only-shown') !== 'on',
            }),
          ).then(() => {
            form.querySelector<HTMLInputElement>('[name=password]')!.value = '';
          });
        }}
      >
        <input
          name="title"
          className="field"
          aria-label="Heading of the page"
          defaultValue={`${heading}, ${shown.length} clip${shown.length === 1 ? '' : 's'}`}
          key={shown.length}
          maxLength={200}
          required
        />
        <div className="grid gap-0.5">
          {clips.map((c) => (
            <label key={c.id} className="flex items-baseline gap-2 text-[12.5px]">
              <input
                type="checkbox"
                className="accent-[var(--steel)]"
                checked={!left.includes(c.id)}
                onChange={(e) => setLeft(e.target.checked ? left.filter((id) => id !== c.id) : [...left, c.id])}
              />
              {c.title}
            </label>
          ))}
        </div>
        <div className="flex flex-wrap gap-1.5" role="group" aria-label="How long it is open">
          {DAYS.map((d) => (
            <button
              key={d.name}
              type="button"
              className="button button-small"
              aria-pressed={days === d.days}
              onClick={() => setDays(d.days)}
            >
              {d.name}
            </button>
          ))}
        </div>
        <label className="flex items-center gap-2 text-[12.5px]">
          <input type="checkbox" name="downloads" className="accent-[var(--steel)]" /> Film, text and subtitles to take
          along
        </label>
        <label className="flex items-center gap-2 text-[12.5px]">
          <input type="checkbox" name="only-shown" className="accent-[var(--steel)]" /> Only shown, as a page of
          finished work: nothing is asked
        </label>
        <input
          name="password"
          className="field text-[12.5px]"
          placeholder="a password, if it is to have one"
          aria-label="Password"
          autoComplete="off"
          maxLength={200}
        />
        <button className="button button-strong justify-self-start" disabled={!shown.length}>
          Make a link
        </button>
      </form>
      {problem && (
        <p role="alert" className="text-accent">
          {problem}
        </p>
      )}
      {proofs.data?.address === null && (
        <p className="text-[12.5px] text-soft">
          Links open on this machine only. To let guests in, start with <code>--guest-port</code>.
        </p>
      )}
      {proofs.data?.links.map((link) => (
        <LinkCard key={link.id} link={link} address={addressOf(proofs.data.address, link)} ask={ask} onOpen={onOpen} />
      ))}
    </div>
  );
}

function LinkCard({
  link,
  address,
  ask,
  onOpen,
}: {
  link: ProofLink;
  address: string;
  ask: (act: () => Promise<unknown>) => Promise<void>;
  onOpen: (clip: number) => void;
}) {
  const [copied, setCopied] = useState(false);
  const changed = link.clips.filter((c) => !c.copy.isCurrent);
  const making = link.clips.filter((c) => c.copy.state === 'WAITING' || c.copy.state === 'RENDERING');
  return (
    <section className="border-t border-rule pt-2" aria-label={link.title}>
      <h3 className={`font-semibold ${link.holds ? '' : 'text-faint line-through'}`}>{link.title}</h3>
      <p className="text-[12px] text-soft">{conditions(link)}</p>
      {link.holds && <p className="text-[12px] break-all select-all">{address}</p>}
      {link.holds && (
        <div className="mt-1 flex flex-wrap gap-1.5">
          <button
            className="button button-small"
            onClick={() =>
              navigator.clipboard.writeText(address).then(
                () => setCopied(true),
                () => useWorkbench.setState({ message: `Copy this: ${address}` }),
              )
            }
          >
            {copied ? 'Copied' : 'Copy the link'}
          </button>
          <a className="button button-small" href={`${address}?producer`} target="_blank" rel="noreferrer">
            Look
          </a>
          <button
            className="button button-small"
            title="Nobody gets in by this link any more"
            onClick={() => void ask(() => api.withdrawProof(link.id))}
          >
            Withdraw
          </button>
        </div>
      )}
      {link.holds && changed.length > 0 && making.length === 0 && (
        <p className="mt-1 text-[12.5px]">
          {changed.length === 1 ? '1 clip has' : `${changed.length} clips have`} changed since.{' '}
          <button className="link" onClick={() => void ask(() => api.showProofNow(link.id))}>
            Show as it is now
          </button>
        </p>
      )}
      <ul className="mt-1 grid gap-0.5 text-[12.5px]">
        {link.clips.map((c) => (
          <li key={c.clipId}>
            <button className="text-left hover:underline" onClick={() => onOpen(c.clipId)}>
              {c.title}
            </button>
            <span className="text-soft"> {link.asks ? verdictOf(c) : makingOf(c)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function conditions(link: ProofLink): string {
  if (!link.holds) return 'holds no more';
  return [
    link.asks ? '' : 'only shown',
    link.expiresAt ? `open until ${new Date(link.expiresAt).toLocaleDateString()}` : 'no end',
    link.locked ? 'with a password' : '',
    link.downloads ? 'files to take along' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** What was said of a clip, in a few words. */
export function verdictOf(clip: ProofLink['clips'][number]): string {
  const { copy } = clip;
  if (copy.problem) return copy.problem;
  const made = makingOf(clip);
  if (copy.attempt === null) return made;
  const said =
    clip.approved === null
      ? 'nothing said yet'
      : clip.approved
        ? `yes from ${clip.answeredBy}`
        : `${clip.answeredBy} asks for changes`;
  const before = clip.approved === null || clip.answeredNow ? '' : ', before the last change';
  return said + before + (made ? `; as it is now ${made}` : '');
}

function makingOf({ copy }: ProofLink['clips'][number]): string {
  return copy.state === 'WAITING' || copy.state === 'RENDERING' || copy.attempt === null
    ? `being made, ${Math.round(copy.progress * 100)} %`
    : '';
}
