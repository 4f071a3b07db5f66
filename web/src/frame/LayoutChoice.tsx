import type { EpisodeCard } from '../api/client';
import { namesOf } from './names';
import { sameLayout, type Arrangement, type Layout } from './framing';

const MOST_TOGETHER = 4;

interface Option {
  name: string;
  layout: Layout;
  title?: string;
}

/** The layouts that the people of an episode allow. */
export function layoutsFor(people: EpisodeCard['people'], held: number): Option[] {
  const options: Option[] = [];
  if (people.length) options.push({ name: 'Whoever speaks', layout: { type: 'speaker' } });
  const names = namesOf({ people });
  for (const p of people) options.push({ name: names[p.index], layout: { type: 'one', person: p.index } });
  if (people.length > 1) {
    const shown = people.slice(0, MOST_TOGETHER).map((p) => p.index);
    const all = shown.length === 2 ? 'Both' : shown.length === 3 ? 'Three' : 'Four';
    const first = held >= 0 && shown.includes(held) ? held : shown[0];
    const larger = [first, ...shown.filter((p) => p !== first)];
    const together = (arrangement: Arrangement, order = shown): Layout => ({
      type: 'together',
      people: order,
      arrangement,
    });
    options.push(
      { name: `${all}, stacked`, layout: together('STACKED') },
      { name: `${all}, abreast`, layout: together('BESIDE') },
      { name: 'One large', layout: together('INSET', larger), title: 'Whoever is held now large, the others small' },
      {
        name: 'Both at cross-talk',
        layout: { type: 'conversation', arrangement: 'STACKED' },
        title: 'Both while two talk across one another, else whoever speaks',
      },
    );
  }
  options.push(
    { name: 'Whole, soft', layout: { type: 'whole', ground: 'SOFT' }, title: 'The whole picture on a soft ground' },
    { name: 'Whole, dark', layout: { type: 'whole', ground: 'DARK' }, title: 'The whole picture on a dark ground' },
    {
      name: 'Whole, picture',
      layout: { type: 'whole', ground: 'PICTURE' },
      title: 'The whole picture on a picture of yours',
    },
    { name: 'The middle', layout: { type: 'middle' } },
  );
  return options;
}

/** Who is seen, and how they share the picture. */
export function LayoutChoice({
  people,
  held,
  value,
  disabled,
  onChoose,
}: {
  people: EpisodeCard['people'];
  held: number;
  /** Null where a window was set by hand. */
  value: Layout | null;
  /** Until it is known where one stands. */
  disabled: boolean;
  onChoose: (layout: Layout) => void;
}) {
  return (
    <div className="flex flex-wrap gap-1.5" role="group" aria-label="In the frame">
      {layoutsFor(people, held).map((o) => (
        <button
          key={JSON.stringify(o.layout)}
          className="button button-small"
          aria-pressed={value !== null && sameLayout(value, o.layout)}
          title={o.title}
          disabled={disabled}
          onClick={() => onChoose(o.layout)}
        >
          {o.name}
        </button>
      ))}
      {value === null && (
        <span className="button button-small" aria-pressed="true" role="status">
          By hand
        </span>
      )}
    </div>
  );
}
