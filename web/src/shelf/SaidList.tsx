import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../api/client';
import { clock } from '../ui/time';

/** Sentences in which a phrase is said, across the whole shelf. */
export function SaidList({ phrase }: { phrase: string }) {
  const found = useQuery({
    queryKey: ['said', phrase],
    queryFn: () => api.said(phrase),
    placeholderData: (before) => before,
  });
  if (!found.data) return <p className="mt-4 text-soft">Looking</p>;
  if (!found.data.length) return <p className="mt-4 text-soft">Nobody has said that on this shelf.</p>;
  return (
    <ul className="mt-4 rounded-md bg-desk px-4 py-2" data-testid="said">
      {found.data.map((s, i) => (
        <li key={`${s.episodeId}-${s.startUs}-${i}`} className="border-b border-rule py-2 last:border-0">
          <Link className="group flex items-baseline gap-4" to={`/episodes/${s.episodeId}?at=${s.startUs}`}>
            <span className="w-14 shrink-0 text-right text-[12.5px] text-faint tabular-nums">{clock(s.startUs)}</span>
            <span className="flex-1 font-serif text-[16.5px] leading-snug group-hover:text-accent">{s.sentence}</span>
            <span className="w-[210px] shrink-0 truncate text-right text-[12.5px] text-soft">
              {s.speaker ? `${s.speaker}, ` : ''}
              {s.title}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
