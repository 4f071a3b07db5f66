import type { ClipState } from '../api/client';
import type { FramePath, Segment } from '../plate/framePath';
import { toEpisode, type Programme } from '../plate/programme';
import { assertNever } from '../ui/assertNever';
import type { Extent, Framed, Layout, Reach } from './framing';

export const REACHES: Reach[] = ['stretch', 'fromHere', 'shot', 'speaking', 'clip', 'episode'];

/** The place a producer stands at, as far as framing goes. */
export interface Standing {
  clip: ClipState;
  programme: Programme;
  path: FramePath;
  segment: Segment;
  /** On the episode's clock. */
  atUs: number;
  /** The words that are selected, on the episode's clock. */
  selected: { startUs: number; endUs: number } | null;
}

/** When a segment was recorded. */
export function spanOf({ programme, segment }: Standing) {
  const frameUs = 1e6 / programme.rate;
  const startUs = Math.round(toEpisode(programme, Math.round(segment.clipFrame * frameUs)));
  const lastUs = toEpisode(programme, Math.round((segment.clipFrame + segment.count) * frameUs) - 1);
  return { startUs, endUs: Math.max(startUs + Math.round(frameUs), Math.round(lastUs)) };
}

/** Where what is set holds; null where it is the clip's own layout that changes. */
export function extentOf(reach: Reach, standing: Standing): Extent | null {
  switch (reach) {
    case 'stretch':
      return { type: 'stretch', span: standing.selected ?? spanOf(standing) };
    case 'fromHere':
      return { type: 'fromHere', atUs: Math.round(standing.atUs) };
    case 'shot':
      return { type: 'shot', atUs: Math.round(standing.atUs) };
    case 'speaking':
      return { type: 'speaking', person: standing.segment.panes[0].person };
    case 'clip':
    case 'episode':
      return null;
    default:
      return assertNever(reach);
  }
}

/** A clip from its beginning to its end. */
export const fromTheStart = (clip: ClipState): Extent => ({
  type: 'fromHere',
  atUs: clip.pared.stretches[0].startUs,
});

export function reachName(reach: Reach, standing: Standing | null, names: string[]): string {
  switch (reach) {
    case 'stretch':
      return standing?.selected ? 'the selected words' : 'this stretch';
    case 'fromHere':
      return 'from here on';
    case 'shot':
      return 'this shot';
    case 'speaking': {
      const person = standing?.segment.panes[0].person ?? -1;
      return `whenever ${person < 0 ? 'this person' : (names[person]?.split(' ')[0] ?? `person ${person + 1}`)} speaks`;
    }
    case 'clip':
      return 'the whole clip';
    case 'episode':
      return 'all clips of this episode';
    default:
      return assertNever(reach);
  }
}

/** How many places change. */
export function places(reach: Reach, standing: Standing, clips: number): string {
  const { path, segment } = standing;
  const count = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`;
  switch (reach) {
    case 'stretch':
      return '1 place';
    case 'fromHere':
      return count(path.segments.filter((s) => s.clipFrame + s.count > segment.clipFrame).length, 'place');
    case 'shot':
      return '1 shot';
    case 'speaking':
      return count(path.segments.filter((s) => s.panes[0].person === segment.panes[0].person).length, 'place');
    case 'clip':
      return count(path.segments.length, 'place');
    case 'episode':
      return count(clips, 'clip');
    default:
      return assertNever(reach);
  }
}

/** The layout that shows where one stands: what was set there, or the clip's own. */
export function layoutAt(framed: Framed, segment: Segment | null): Layout | null {
  const set = segment && framed.set.find((s) => s.id === segment.setBy);
  if (!set) return framed.layout;
  return set.shown.type === 'laid' ? set.shown.layout : null;
}
