import { useOthers } from './presence';
import { useSession } from './session';

/** Who else has the episode open; whoever is in the same clip stands out. */
export function Others({ episodeId, clipId }: { episodeId: number; clipId: number | null }) {
  const session = useSession();
  const others = useOthers(episodeId);
  if (!session?.team || others.length === 0) return null;
  const named = new Map<string, boolean>();
  for (const other of others) {
    const name = other.name ?? 'At the server';
    named.set(name, (named.get(name) ?? false) || (clipId !== null && other.clipId === clipId));
  }
  return (
    <ul className="flex shrink-0 gap-1.5" aria-label="Also here" data-testid="others">
      {[...named].map(([name, sameClip]) => (
        <li
          key={name}
          title={sameClip ? `${name} has this clip open` : `${name} has this episode open`}
          className={`max-w-[110px] truncate rounded-full px-2 py-0.5 text-[12px] ${sameClip ? 'bg-steel text-paper' : 'border border-rule text-soft'}`}
        >
          {name}
        </li>
      ))}
    </ul>
  );
}
