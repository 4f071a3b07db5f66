import type { ClipState } from '../api/client';
import type { FramePath, Segment } from '../plate/framePath';
import { episodeFrameAt, type Programme } from '../plate/programme';
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
  /** What is selected, on the episode's clock; a single word too. */
  selected: { startUs: number; endUs: number } | null;
  /** What is selected where it is more than the word one stands at. */
  several: { startUs: number; endUs: number } | null;
}

/**
 * When the pictures of a segment were recorded, from the first to the last: a picture may be half a frame from what
 * is heard with it, and none of them is to keep what was seen before.
 */
export function spanOf({ clip, programme, segment }: Pick<Standing, 'clip' | 'programme' | 'segment'>) {
  const startOf = (episodeFrame: number) => Math.floor((episodeFrame * 1e6) / programme.rate);
  const first = episodeFrameAt(programme, segment.clipFrame);
  const last = episodeFrameAt(programme, segment.clipFrame + segment.count - 1);
  const clipEndUs = Math.max(...clip.pared.stretches.map((s) => s.endUs));
  const endUs = last < first ? clipEndUs : Math.min(clipEndUs, startOf(last + 1));
  return { startUs: startOf(first), endUs: Math.max(startOf(first + 1), endUs) };
}

/** Where what is set holds; null where it is the clip's own layout that changes. */
export function extentOf(reach: Reach, standing: Standing): Extent | null {
  switch (reach) {
    case 'stretch':
      return { type: 'stretch', span: standing.several ?? spanOf(standing) };
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
      return standing?.several ? 'the selected words' : 'this stretch';
    case 'fromHere':
      return 'from here on';
    case 'shot':
      return 'this shot';
    case 'speaking': {
      const person = standing?.segment.panes[0].person ?? -1;
      return `whenever ${person < 0 ? 'this person' : (names[person] ?? `person ${person + 1}`)} speaks`;
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
