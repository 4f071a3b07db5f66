import { useQueryClient } from '@tanstack/react-query';
import { api, type ClipState, type Intent } from '../api/client';
import type { Window } from '../plate/framePath';
import { shapeText } from '../ui/shape';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';
import { placed, useFraming, type Curve, type Layout, type Shown } from './framing';
import { extentOf, fromTheStart, type Standing } from './reach';

/** What can be set by hand where one stands, as far as it is chosen to reach. */
export function useFrameActs(
  standing: Standing | null,
  clips: ClipState[],
  recorded: { width: number; height: number },
) {
  const { change } = useChanges();
  const queries = useQueryClient();
  const everyClip = async (...intents: ((clip: ClipState) => Intent)[]) => {
    const open = useWorkbench.getState().clip;
    for (const intent of intents) await change(intent);
    for (const clip of clips.filter((c) => c.id !== open?.id)) {
      try {
        let { revision } = clip;
        for (const intent of intents) ({ revision } = await api.change(clip.id, revision, intent(clip)));
      } catch (error) {
        useWorkbench.setState({ message: `${clip.delivered.title}: ${(error as Error).message}` });
      }
    }
    await queries.invalidateQueries({ queryKey: ['clips'] });
  };
  /** A picture as ground needs the picture first. */
  const withBackdrop = (shown: Shown): (() => Intent)[] => {
    const backdrop = useWorkbench.getState().clip?.framed.backdrop;
    const isPictured = shown.type === 'laid' && shown.layout.type === 'whole' && shown.layout.ground === 'PICTURE';
    return isPictured && backdrop ? [() => ({ type: 'chooseBackdrop', backdrop })] : [];
  };
  const set = (shown: Shown) => {
    if (!standing) return;
    const { reach } = useFraming.getState();
    const extent = extentOf(reach, standing);
    const whole = (clip: ClipState): Intent =>
      shown.type === 'laid'
        ? { type: 'reframe', shape: shapeText(clip.framed.shape), layout: shown.layout }
        : { type: 'setByHand', extent: fromTheStart(clip), shown };
    if (reach === 'episode') void everyClip(...withBackdrop(shown), whole);
    else void change((clip) => (extent ? { type: 'setByHand', extent, shown } : whole(clip)));
  };
  return {
    everyClip,
    lay: (layout: Layout) => set({ type: 'laid', layout }),
    hold: (window: Window) => {
      const from = useFraming.getState().travelFrom;
      if (!from || !standing) set({ type: 'still', window: placed(window, recorded) });
      else {
        const atUs = Math.round(standing.atUs);
        useFraming.setState({ travelFrom: null });
        if (atUs <= from.atUs) {
          useWorkbench.setState({ message: 'A window travels on to a later time: go on to it first.' });
          return;
        }
        void change({
          type: 'setByHand',
          extent: { type: 'stretch', span: { startUs: from.atUs, endUs: atUs } },
          shown: { type: 'travel', from: from.window, to: placed(window, recorded), curve: SOFT },
        });
      }
    },
    letGo: (ids: number[]) => void change({ type: 'letGo', ids }),
    reshape: (shape: string) => void change((clip) => ({ type: 'reframe', shape, layout: clip.framed.layout })),
  };
}

export type FrameActs = ReturnType<typeof useFrameActs>;

export const EVEN: Curve = { x1: 0, y1: 0, x2: 1, y2: 1 };
export const SOFT: Curve = { x1: 0.42, y1: 0, x2: 0.58, y2: 1 };
