import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type Style } from '../api/client';
import { useChanges } from '../workbench/changes';
import { useTriedStyle } from './triedStyle';

export interface Styling {
  style: Style;
  /** Shows a change on the plate, while it is dragged. */
  show: (next: Partial<Style>) => void;
  /** Keeps a change. */
  keep: (next: Partial<Style>) => void;
}

/** The style of a clip's captions, to be tried and kept; null until the letterings are known. */
export function useStyling(clip: ClipState): Styling | null {
  const { change } = useChanges();
  const tried = useTriedStyle((s) => s.style);
  const letterings = useQuery({ queryKey: ['letterings'], queryFn: api.letterings, staleTime: Infinity });
  const base = letterings.data?.letterings.find((l) => l.id === clip.lettered.lettering)?.style;
  const style = tried ?? clip.lettered.style ?? base;
  if (!style) return null;
  return {
    style,
    show: (next) => useTriedStyle.setState({ style: { ...style, ...next } }),
    keep: (next) => {
      const kept = { ...style, ...next };
      useTriedStyle.setState({ style: kept });
      void change({ type: 'restyle', style: kept }).finally(() => useTriedStyle.setState({ style: null }));
    },
  };
}
