import type { Style } from '../api/client';
import { assertNever } from '../ui/assertNever';

type Mark = Style['mark'];
type Entrance = Style['motion']['entrance'];
type Colour = Style['text'];

export const MARKS: { value: Mark['type']; name: string }[] = [
  { value: 'unmarked', name: 'like the others' },
  { value: 'inColour', name: 'in colour' },
  { value: 'box', name: 'boxed' },
  { value: 'larger', name: 'larger' },
  { value: 'underlined', name: 'underlined' },
  { value: 'lit', name: 'lit with those before' },
  { value: 'filled', name: 'filled as it sounds' },
  { value: 'alone', name: 'alone' },
];

export const ENTRANCES: { value: Entrance['type']; name: string }[] = [
  { value: 'atOnce', name: 'at once' },
  { value: 'fade', name: 'fades in' },
  { value: 'pop', name: 'pops up' },
  { value: 'rise', name: 'rises' },
  { value: 'wordByWord', name: 'word by word' },
];

const AMBER: Colour = { red: 242, green: 179, blue: 91, alpha: 255 };
const INK: Colour = { red: 30, green: 27, blue: 26, alpha: 255 };

/** A mark of a kind, in colours that go with a style. */
export function markOf(type: Mark['type'], style: Style): Mark {
  const colour = style.key.colour ?? AMBER;
  switch (type) {
    case 'unmarked':
    case 'alone':
      return { type };
    case 'inColour':
    case 'underlined':
      return { type, text: colour };
    case 'box':
      return { type, text: INK, ground: colour };
    case 'larger':
      return { type, text: colour, scale: 1.15 };
    case 'lit':
      return { type, unlit: { ...style.text, alpha: 110 } };
    case 'filled':
      return { type, unfilled: { red: 185, green: 196, blue: 196, alpha: 255 } };
    default:
      return assertNever(type);
  }
}

interface MarkColour {
  name: string;
  colour: Colour;
  changed: (colour: Colour) => Mark;
}

/** The colours that a mark has. */
export function markColours(mark: Mark): MarkColour[] {
  switch (mark.type) {
    case 'unmarked':
    case 'alone':
      return [];
    case 'inColour':
    case 'underlined':
    case 'larger':
      return [{ name: 'Colour', colour: mark.text, changed: (text) => ({ ...mark, text }) }];
    case 'box':
      return [
        { name: 'Word', colour: mark.text, changed: (text) => ({ ...mark, text }) },
        { name: 'Box', colour: mark.ground, changed: (ground) => ({ ...mark, ground }) },
      ];
    case 'lit':
      return [{ name: 'Before', colour: mark.unlit, changed: (unlit) => ({ ...mark, unlit }) }];
    case 'filled':
      return [{ name: 'Before', colour: mark.unfilled, changed: (unfilled) => ({ ...mark, unfilled }) }];
    default:
      return assertNever(mark);
  }
}

/** An entrance of a kind, as quick as is usual. */
export function entranceOf(type: Entrance['type']): Entrance {
  switch (type) {
    case 'atOnce':
    case 'wordByWord':
      return { type };
    case 'fade':
      return { type, ms: 160 };
    case 'pop':
      return { type, ms: 140, from: 0.75 };
    case 'rise':
      return { type, ms: 150, from: 24 };
    default:
      return assertNever(type);
  }
}
