import { useCallback, useEffect, useMemo, useState } from 'react';
import { guestOf, Refused, type GuestPageData } from './guestApi';
import { GuestClipView } from './GuestClipView';
import { PasswordGate } from './PasswordGate';
import { Showcase } from './Showcase';

const LOOK_AGAIN_MS = 15_000;
const BEING_MADE_MS = 3_000;

/** What somebody sees who was sent a link: the clips, what is said in them, and two answers. */
export function GuestPage({ token, noted }: { token: string; noted: boolean }) {
  const guest = useMemo(() => guestOf(token, noted), [token, noted]);
  const [page, setPage] = useState<GuestPageData | null>(null);
  const [refusal, setRefusal] = useState<Refused | null>(null);
  const [chosen, setChosen] = useState(0);
  const load = useCallback(
    () =>
      guest.page().then(
        (told) => {
          setPage(told);
          setRefusal(null);
        },
        (error: Refused) => setRefusal(error),
      ),
    [guest],
  );
  const waiting = page?.clips.some((c) => c.file === null) ?? false;
  useEffect(() => {
    void load();
  }, [load]);
  useEffect(() => {
    const again = setInterval(() => document.hidden || void load(), waiting ? BEING_MADE_MS : LOOK_AGAIN_MS);
    return () => clearInterval(again);
  }, [load, waiting]);
  useEffect(() => {
    if (page) document.title = page.title;
  }, [page]);

  if (refusal?.status === 401) return <PasswordGate guest={guest} onEntered={load} />;
  if (!page)
    return (
      <main className="mx-auto grid min-h-full max-w-md content-center px-6 text-center">
        <p role={refusal ? 'alert' : undefined} className={refusal ? 'font-serif text-[19px]' : 'text-soft'}>
          {refusal ? refusal.message : 'Opening'}
        </p>
      </main>
    );
  if (!page.asks) return <Showcase guest={guest} page={page} />;
  const clip = page.clips[Math.min(chosen, page.clips.length - 1)];
  return (
    <div className="mx-auto flex h-full max-w-[430px] flex-col bg-paper min-[860px]:max-w-[1080px]">
      <header className="flex items-baseline justify-between gap-4 px-4 pt-3 pb-2">
        <h1 className="font-serif text-[17px] font-semibold">{page.title}</h1>
        <span className="text-[12.5px] whitespace-nowrap text-soft">{openUntil(page.expiresAt)}</span>
      </header>
      {page.clips.length > 1 && (
        <nav aria-label="Clips" className="flex shrink-0 gap-1.5 overflow-x-auto px-4 pb-2">
          {page.clips.map((c, i) => (
            <button
              key={c.id}
              className="button button-small max-w-[180px] shrink-0 overflow-hidden text-ellipsis"
              aria-pressed={c === clip}
              onClick={() => setChosen(i)}
            >
              {c.approved ? '✓ ' : c.approved === false ? '↻ ' : ''}
              {c.title}
            </button>
          ))}
        </nav>
      )}
      {!clip ? (
        <p className="px-4 text-soft">There is nothing to look at here any more.</p>
      ) : clip.file === null ? (
        <p className="px-4 text-soft" role="status">
          “{clip.title}” is still being made; it comes in a moment.
        </p>
      ) : (
        <GuestClipView
          key={clip.id}
          guest={guest}
          id={clip.id}
          file={clip.file}
          told={`${clip.said} ${clip.done}`}
          downloads={page.downloads}
          onSaid={load}
        />
      )}
    </div>
  );
}

function openUntil(expiresAt: string | null): string {
  if (expiresAt === null) return '';
  const date = new Date(expiresAt);
  const days = (date.getTime() - Date.now()) / 86_400_000;
  return `open until ${date.toLocaleDateString(undefined, days < 6 ? { weekday: 'long' } : { day: 'numeric', month: 'long' })}`;
}
