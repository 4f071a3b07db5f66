/** Languages that are offered first; any other can be typed by its tag. */
const OFFERED = ['ar', 'de', 'el', 'es', 'fr', 'he', 'hi', 'it', 'nl', 'pl', 'pt', 'ru', 'sv', 'th', 'tr', 'uk', 'vi'];

const names = new Intl.DisplayNames(['en'], { type: 'language' });

/** What a language is called; its tag where nobody has a name for it. */
export function languageName(tag: string): string {
  try {
    return names.of(tag) ?? tag;
  } catch {
    return tag;
  }
}

/** Languages that a clip has no captions in yet, in order of their names. */
export const offeredLanguages = (spoken: string, taken: string[]): { tag: string; name: string }[] =>
  OFFERED.filter((tag) => tag !== spoken.split('-')[0] && !taken.includes(tag))
    .map((tag) => ({ tag, name: languageName(tag) }))
    .sort((a, b) => a.name.localeCompare(b.name));

const FROM_THE_RIGHT = new Set(['ar', 'fa', 'he', 'ur', 'yi', 'ps', 'ckb', 'dv', 'syr']);

/** On which side its lines begin. */
export const directionOf = (tag: string): 'ltr' | 'rtl' => (FROM_THE_RIGHT.has(tag.split('-')[0]) ? 'rtl' : 'ltr');
