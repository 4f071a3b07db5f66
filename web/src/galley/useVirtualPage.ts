import { useEffect, useMemo } from 'react';
import { useVirtualizer, type Virtualizer } from '@tanstack/react-virtual';
import { useWorkbench } from '../workbench/store';
import type { Row } from './setLines';

export type Scroller = React.RefObject<HTMLDivElement | null>;
export type VirtualPage = Virtualizer<HTMLDivElement, Element>;

/** Only what is in view of a long page is in the document; what is selected or found is brought into view. */
export function useVirtualPage(scroller: Scroller, rows: Row[], words: number) {
  // It hands out functions whose answers change, so nothing of them is kept between renders.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual: VirtualPage = useVirtualizer<HTMLDivElement, Element>({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => rows[i].height,
    overscan: 6,
    paddingStart: 14,
    paddingEnd: 120,
  });
  useEffect(() => virtual.measure(), [rows, virtual]);
  const rowOf = useMemo(() => {
    const index = new Int32Array(words).fill(-1);
    rows.forEach((row, r) => {
      if (row.kind === 'line') index.fill(r, row.from, row.to);
    });
    return index;
  }, [rows, words]);

  const target = useWorkbench((s) => s.hits[s.hit]?.from);
  const hits = useWorkbench((s) => s.hits);
  useEffect(() => {
    if (target !== undefined && (rowOf[target] ?? -1) >= 0) virtual.scrollToIndex(rowOf[target], { align: 'center' });
  }, [hits, target, rowOf, virtual]);
  const focus = useWorkbench((s) => s.selection?.focus ?? s.pause ?? undefined);
  useEffect(() => {
    if (focus !== undefined && (rowOf[focus] ?? -1) >= 0) virtual.scrollToIndex(rowOf[focus], { align: 'auto' });
  }, [focus, rowOf, virtual]);
  return { virtual, rowOf };
}
