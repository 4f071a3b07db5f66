import type { components } from '../api/schema';

/** Who has said yes to a clip, and how much is open; nothing where it was not shown. */
export function SaidOfClip({ proofs, clipId }: { proofs: components['schemas']['ProofsOfEpisode']; clipId: number }) {
  const said = proofs.links
    .flatMap((l) => l.clips)
    .filter((c) => c.clipId === clipId && c.approved !== null && c.answeredBy !== null);
  const open = proofs.open[clipId] ?? 0;
  const now = said.filter((c) => c.answeredNow);
  const parts = [
    ...now.map((c) => (c.approved ? `✓ yes, ${c.answeredBy}` : `↻ changes, ${c.answeredBy}`)),
    said.length > now.length ? 'changed since it was answered' : '',
    open ? `${open} remark${open === 1 ? '' : 's'}` : '',
  ].filter(Boolean);
  return parts.length ? <div className="text-[12px] text-steel">{parts.join(', ')}</div> : null;
}
