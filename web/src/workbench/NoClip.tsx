import type { StageProps } from './stageView';

/** What to do where a stage has no clip to work on. */
export function NoClip({ open: { clips } }: StageProps) {
  return (
    <p className="mt-4 text-soft" role="status">
      {clips.length
        ? 'Choose a clip at the left: what is done here is done to one.'
        : 'There is no clip yet. Keep a proposal in Pick, or select words and make one.'}
    </p>
  );
}
