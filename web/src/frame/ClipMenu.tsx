import type { StageProps } from '../workbench/stageView';

/** The clip that is framed, and the others of the episode. */
export function ClipMenu({ open: { clip, clips }, acts }: StageProps) {
  return (
    <select
      className="min-w-0 max-w-[300px] truncate rounded bg-transparent py-1 font-serif text-[15px] font-semibold"
      aria-label="Clip"
      value={clip!.id}
      onChange={(e) => acts.openClip({ id: Number(e.target.value) })}
    >
      {clips.map((c) => (
        <option key={c.id} value={c.id}>
          {c.delivered.title}
        </option>
      ))}
    </select>
  );
}
