import { useState } from 'react';
import { Popover } from 'radix-ui';
import { useQueryClient } from '@tanstack/react-query';
import { api, type EpisodeCard, type PeopleCorrection } from '../api/client';
import { usePlayhead } from '../plate/playhead';
import { FacePicture } from './FacePicture';

type Person = EpisodeCard['people'][number];

const LONGEST_NAME = 100;
const SOMEBODY_ELSE = -1;

/** Who is seen in the episode: named once, joined where two are one, parted where one is two. */
export function PeoplePanel({
  episode,
  camera,
}: {
  episode: EpisodeCard;
  /** That is seen where one stands. */
  camera: number;
}) {
  const queries = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const act = async (done: Promise<void>) => {
    try {
      await done;
      setProblem(null);
      await Promise.all(['episode', 'faces', 'preview'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const putRight = (correction: PeopleCorrection) => void act(api.putPeopleRight(episode.id, correction));
  return (
    <Popover.Root onOpenChange={() => setProblem(null)}>
      <Popover.Trigger asChild>
        <button className="button button-small" disabled={episode.people.length === 0 && !episode.peoplePutRight}>
          People
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[430px]" side="bottom" align="start" sideOffset={6} collisionPadding={12}>
          <div className="flex items-baseline justify-between">
            <h2 className="label">Seen in this episode</h2>
            <button
              className="text-[12.5px] text-soft underline decoration-rule underline-offset-4 disabled:opacity-40"
              disabled={!episode.peoplePutRight}
              onClick={() => void act(api.takeBackPeople(episode.id))}
            >
              Take back the last change
            </button>
          </div>
          <ul className="mt-2 divide-y divide-rule">
            {episode.people.map((p) => (
              <PersonRow key={p.index} person={p} people={episode.people} camera={camera} onPutRight={putRight} />
            ))}
          </ul>
          <p className="mt-2 text-[12.5px] text-soft">
            Somebody with a speaker&rsquo;s name is that speaker. What is put right holds for all clips of the episode.
          </p>
          {problem && (
            <p className="mt-1.5 text-[12.5px] text-accent" role="alert">
              {problem}
            </p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function PersonRow({
  person,
  people,
  camera,
  onPutRight,
}: {
  person: Person;
  people: Person[];
  camera: number;
  onPutRight: (correction: PeopleCorrection) => void;
}) {
  const others = people.filter((p) => p.index !== person.index);
  const here = () => Math.round(usePlayhead.getState().episodeUs);
  const choose = (value: string) => {
    const [act, number] = value.split(' ');
    const other = Number(number);
    if (act === 'join') onPutRight({ type: 'joined', person: person.index, into: other });
    if (act === 'not') onPutRight({ type: 'notThis', person: person.index, camera, atUs: here(), other });
    if (act === 'dismiss') onPutRight({ type: 'dismissed', person: person.index });
  };
  return (
    <li className="flex items-center gap-2.5 py-2">
      <FacePicture person={person} />
      <input
        key={person.name}
        className="field min-w-0 flex-1"
        aria-label={`Name of ${person.name}`}
        defaultValue={person.name}
        maxLength={LONGEST_NAME}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const name = e.target.value.trim();
          if (name && name !== person.name) onPutRight({ type: 'named', person: person.index, name });
          else e.target.value = person.name;
        }}
      />
      <select
        className="field w-[148px]"
        aria-label={`Put ${person.name} right`}
        value=""
        onChange={(e) => choose(e.target.value)}
      >
        <option value="" disabled>
          Is not right
        </option>
        {others.map((o) => (
          <option key={`join ${o.index}`} value={`join ${o.index}`}>
            Is the same as {o.name}
          </option>
        ))}
        <option value={`not ${SOMEBODY_ELSE}`}>In this shot it is somebody else</option>
        {others.map((o) => (
          <option key={`not ${o.index}`} value={`not ${o.index}`}>
            In this shot it is {o.name}
          </option>
        ))}
        <option value="dismiss">Is a picture, or nobody to hold</option>
      </select>
    </li>
  );
}
