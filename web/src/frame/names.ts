import type { EpisodeCard } from '../api/client';

/** What people are called, by their numbers; numbers of those who were joined to others have no name. */
export function namesOf(episode: EpisodeCard): string[] {
  const names: string[] = [];
  for (const person of episode.people) names[person.index] = person.name;
  return names;
}
