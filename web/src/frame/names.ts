import type { EpisodeCard } from '../api/client';

const firstWord = (name: string) => name.split(' ')[0];

/**
 * What people are called, by their numbers: by their first name where nobody else has it. Numbers of those who
 * were joined to others have no name.
 */
export function namesOf({ people }: Pick<EpisodeCard, 'people'>): string[] {
  const names: string[] = [];
  for (const { index, name } of people) {
    const shared = people.some((other) => other.index !== index && firstWord(other.name) === firstWord(name));
    names[index] = shared ? name : firstWord(name);
  }
  return names;
}
