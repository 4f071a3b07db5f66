import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type ClipState, type HouseStanding, type HouseStyleListed } from '../api/client';
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
    case 'GROUND':
      return 'grounds';
    case 'PUSH_INS':
      return 'push-ins';
    case 'LOGO':
      return 'the logo';
    case 'NAMES':
      return 'names of speakers';
    case 'CALL_OUTS':
      return 'what call-outs are set in';
    case 'SOUND':
      return 'the voice';
    default:
      return assertNever(part);
  }
}

/** The house style of a show: which one it has, how this clip stands to it, and who follows. */
export function HousePanel({ clip }: { clip: ClipState }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState<string | null>(null);
  /** The style that a second press removes. */
  const [removing, setRemoving] = useState<string | null>(null);
  const key = ['house', clip.id, clip.revision];
  const standing = useQuery({
    queryKey: key,
    queryFn: () => api.house(clip.id),
    staleTime: 0,
    gcTime: 0,
    placeholderData: (before) => before,
  }).data;
  const styles = useQuery({ queryKey: STYLES, queryFn: api.houseStyles }).data;
  if (!standing || !styles) return null;
  const told = (asked: Promise<unknown>) =>
    void asked.catch((error: Error) => useWorkbench.setState({ message: error.message }));
  const act = (ask: () => Promise<HouseStanding>) => () =>
    told(
      ask().then((now) => {
        queries.setQueryData(key, now);
        return queries.invalidateQueries({ queryKey: STYLES });
      }),
    );
  const arrange = (ask: () => Promise<HouseStyleListed[]>) => () =>
    told(
      ask().then((now) => {
        queries.setQueryData(STYLES, now);
        setTyped(null);
        return queries.invalidateQueries({ queryKey: ['house'] });
      }),
    );
  const { show, style, changes, others, single, elsewhere } = standing;
  const brought = broughtBy(styles.find((s) => s.name === style));
  const own = styles.find((s) => s.name === style && !s.ships);
  const name = typed ?? own?.name ?? show;
  const isFree = name.trim() !== '' && !styles.some((s) => s.name.toLowerCase() === name.trim().toLowerCase());
  const ships = styles.some((s) => s.ships && s.name.toLowerCase() === name.trim().toLowerCase());
  return (
    <div className="grid gap-2.5 text-[12.5px]">
      <label className="grid gap-1">
        <span className="label">House style of {show || 'this show'}</span>
        <select
          className="rounded border border-rule bg-paper px-1.5 py-1"
          value={style ?? ''}
          onChange={(e) => e.target.value && act(() => api.giveHouse(clip.id, e.target.value))()}
        >
          {style === null && <option value="">none yet</option>}
          {styles.map((s) => (
            <option key={s.name} value={s.name}>
              {s.name}
            </option>
          ))}
        </select>
      </label>
      <p className="text-soft">
        {changes === null
          ? 'Clips made from now on would look and sound like the style that is chosen, or kept from this clip.'
          : changes.length
            ? `This clip is other than ${style}: ${changes.map(partName).join(', ')}.`
            : `This clip is as ${style} has it.`}
      </p>
      {brought && <p className="text-soft">{brought}</p>}
      <button
        className="button button-small justify-self-start"
        disabled={!changes?.length}
        onClick={act(() => api.takeHouse(clip.id))}
      >
        As the show has it
      </button>
      <div className="grid gap-1.5 border-t border-rule pt-2">
        <label className="grid gap-1">
          <span className="label">Name of the style</span>
          <input
            className="rounded border border-rule bg-paper px-1.5 py-1"
            maxLength={80}
            value={name}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <div className="flex flex-wrap gap-1.5">
          <button
            className="button button-small"
            disabled={!name.trim() || ships}
            title={
              ships
                ? 'Those that ship stay as they are: give it another name'
                : `Clips of ${show} made from now on look and sound like this one; its specs, names of files, texts, filler words and spellings are kept with it`
            }
            onClick={act(() => api.keepHouse(clip.id, name).finally(() => setTyped(null)))}
          >
            {isFree ? 'Keep this clip’s style' : 'Change it to this clip’s'}
          </button>
          {style !== null && (
            <button
              className="button button-small"
              disabled={!isFree}
              title={`${style} once more, under this name`}
              onClick={arrange(() => api.copyHouseStyle(style, name))}
            >
              Copy
            </button>
          )}
          {own && (
            <>
              <button
                className="button button-small"
                disabled={!isFree}
                onClick={arrange(() => api.renameHouseStyle(own.name, name))}
              >
                Rename
              </button>
              <button
                className="button button-small"
                title={`${own.shows.join(', ')} would have none; clips stay as they are`}
                onBlur={() => setRemoving(null)}
                onClick={
                  removing === own.name ? arrange(() => api.removeHouseStyle(own.name)) : () => setRemoving(own.name)
                }
              >
                {removing === own.name ? 'Remove for good' : 'Remove'}
              </button>
            </>
          )}
        </div>
        <div className="flex flex-wrap gap-1.5">
          <a
            className="button button-small"
            href={`/api/clips/${clip.id}/house/file`}
            title="With the fonts of your own that it is set in"
            download
          >
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
      </div>
      <div className="grid gap-1.5 border-t border-rule pt-2">
        <p className="text-soft">{whoFollows(others, single, elsewhere, show)}</p>
        <div className="flex flex-wrap gap-1.5">
          <button
            className="button button-small"
            disabled={others === 0}
            onClick={act(() => api.spreadHouse(clip.id, 'EPISODE'))}
          >
            All clips like this one
          </button>
          {elsewhere > 0 && (
            <button className="button button-small" onClick={act(() => api.spreadHouse(clip.id, 'SHOW'))}>
              In all episodes of the show
            </button>
          )}
        </div>
      </div>
    </div>
  );
}

const STYLES = ['houseStyles'];

const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

/** What a style gave the show besides, when the show was given it. */
function broughtBy(style: HouseStyleListed | undefined): string | null {
  if (!style) return null;
  const { specs, fileNames, posts, fillers, spellings } = style.brings;
  const parts = [
    ...(specs.length ? [specs.join(', ')] : []),
    ...(fileNames ? ['names of files'] : []),
    ...(posts ? ['how texts are proposed'] : []),
    ...(fillers.length ? [`filler words (${fillers.join(', ')})`] : []),
    ...(spellings ? [counted(spellings, 'spelling')] : []),
  ];
  return parts.length ? `A show that is given it also gets: ${parts.join('; ')}.` : null;
}

/** Which clips would change if they were as this one. */
function whoFollows(others: number, single: number, elsewhere: number, show: string): string {
  const here =
    others === 0
      ? 'All clips of this episode look and sound like this one.'
      : `${counted(others, 'other clip')} of this episode would change; ${counted(single, 'single setting')} in them stay.`;
  return elsewhere === 0 ? here : `${here} So would ${elsewhere} in other episodes of ${show}.`;
}
