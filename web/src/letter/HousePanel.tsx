import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type ClipState, type HouseStanding } from '../api/client';
import { assertNever } from '../ui/assertNever';
import { useWorkbench } from '../workbench/store';

type Part = NonNullable<HouseStanding['changes']>[number];

function partName(part: Part): string {
  switch (part) {
    case 'LETTERING':
      return 'the lettering';
    case 'BREAKS':
      return 'how captions break';
    case 'CAPTION_USE':
      return 'what captions leave out and where they go';
    case 'FRAME':
      return 'how the frame moves';
    case 'SOUND':
      return 'the voice';
    default:
      return assertNever(part);
  }
}

/** What is decided once for all clips: as a show's style, or for the clips of this episode. */
export function HousePanel({ clip }: { clip: ClipState }) {
  const queries = useQueryClient();
  const key = ['house', clip.id, clip.revision];
  const standing = useQuery({
    queryKey: key,
    queryFn: () => api.house(clip.id),
    staleTime: 0,
    gcTime: 0,
    placeholderData: (before) => before,
  }).data;
  if (!standing) return null;
  const act = (ask: () => Promise<HouseStanding>) => () =>
    void ask()
      .then((now) => queries.setQueryData(key, now))
      .catch((error: Error) => useWorkbench.setState({ message: error.message }));
  const { show, changes, others, single } = standing;
  return (
    <div className="grid gap-2 text-[12.5px]">
      <p className="text-soft">
        {changes === null
          ? `${show} has no style of its own yet.`
          : changes.length
            ? `Other than ${show} has it: ${changes.map(partName).join(', ')}.`
            : `As ${show} has it.`}
      </p>
      <div className="flex flex-wrap gap-1.5">
        <button
          className="button button-small"
          disabled={changes?.length === 0}
          title="Clips made from now on look and sound like this one"
          onClick={act(() => api.keepHouse(clip.id))}
        >
          Keep as the show’s
        </button>
        <button className="button button-small" disabled={!changes?.length} onClick={act(() => api.takeHouse(clip.id))}>
          As the show has it
        </button>
      </div>
      <div className="flex flex-wrap gap-1.5">
        <a className="button button-small" href={`/api/clips/${clip.id}/house/file`} download>
          Save as a file
        </a>
        <label className="button button-small cursor-pointer focus-within:outline-2">
          Take from a file
          <input
            type="file"
            accept=".json,application/json"
            className="sr-only"
            onChange={(e) => {
              const [file] = e.target.files ?? [];
              e.target.value = '';
              if (file) act(async () => api.takeHouseFile(clip.id, await file.text()))();
            }}
          />
        </label>
      </div>
      <p className="text-soft">
        {others === 0
          ? 'All clips of this episode look and sound like this one.'
          : `${others} other clip${others === 1 ? '' : 's'} of this episode would change; ${single} single setting${single === 1 ? '' : 's'} in them stay.`}
      </p>
      <button
        className="button button-small justify-self-start"
        disabled={others === 0}
        onClick={act(() => api.spreadHouse(clip.id))}
      >
        All clips like this one
      </button>
    </div>
  );
}
