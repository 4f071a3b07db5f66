import { useState } from 'react';
import { Play } from 'lucide-react';
import type { Guest, GuestPageData } from './guestApi';

/** A page of finished clips: each plays where it stands, and nothing is asked of whoever looks. */
export function Showcase({ guest, page }: { guest: Guest; page: GuestPageData }) {
  const [playing, setPlaying] = useState<number | null>(null);
  return (
    <main className="mx-auto max-w-[1120px] px-5 pt-8 pb-16">
      <h1 className="font-serif text-[30px] leading-tight font-semibold">{page.title}</h1>
      {page.clips.length === 0 && <p className="mt-4 text-soft">There is nothing to look at here any more.</p>}
      <ul className="mt-6 grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-x-6 gap-y-9">
        {page.clips.map((c) => (
          <li key={c.id}>
            {c.file === null ? (
              <p className="grid aspect-[4/5] place-items-center rounded-lg bg-desk p-4 text-center text-soft">
                is still being made
              </p>
            ) : playing === c.id ? (
              <video
                className="max-h-[70vh] w-full rounded-lg bg-black"
                src={guest.film(c.id, c.file)}
                aria-label={c.title}
                controls
                autoPlay
                playsInline
              />
            ) : (
              <button
                className="group relative block w-full overflow-hidden rounded-lg bg-desk"
                aria-label={`Play ${c.title}`}
                onClick={() => setPlaying(c.id)}
              >
                <img
                  src={guest.still(c.id, c.file)}
                  alt=""
                  loading="lazy"
                  className="max-h-[70vh] min-h-[120px] w-full object-cover"
                />
                <span className="absolute bottom-3 left-3 grid h-10 w-10 place-items-center rounded-full bg-paper text-ink">
                  <Play size={17} />
                </span>
              </button>
            )}
            <h2 className="mt-2.5 font-serif text-[17px] leading-snug font-semibold">{c.title}</h2>
            {page.downloads && c.file !== null && (
              <a className="link text-[12.5px]" href={guest.taken(c.id, 'film')}>
                Take along
              </a>
            )}
          </li>
        ))}
      </ul>
    </main>
  );
}
