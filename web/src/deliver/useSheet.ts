import { useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Tick } from '../api/client';
import { useWorkbench } from '../workbench/store';
import type { Line } from './sheetView';

const keyOf = ({ clipId, spec }: Tick) => `${clipId} ${spec}`;

/** Whose clips a sheet is of: an episode's, or those of all that stand on a shelf; null for all that there are. */
export type SheetOf = { episode: number } | { shelf: number | null };

const read = (of: SheetOf) => ('episode' in of ? api.sheet(of.episode) : api.shelfSheet(of.shelf));

/** A sheet, with cells as they were ticked before the server has answered. */
export function useSheet(of: SheetOf) {
  const queries = useQueryClient();
  const sheet = useQuery({ queryKey: ['sheet', of], queryFn: () => read(of) });
  const ticks = useRef<Promise<void>>(Promise.resolve());
  const [pending, setPending] = useState<Record<string, boolean>>({});

  const send = async (cells: Tick[], asked: boolean) => {
    try {
      await api.askForCells(cells, asked);
    } catch (error) {
      useWorkbench.setState({ message: (error as Error).message });
    }
    await queries.invalidateQueries({ queryKey: ['sheet'] });
    const sent = new Set(cells.map(keyOf));
    setPending((before) =>
      Object.fromEntries(Object.entries(before).filter(([cell, ticked]) => !sent.has(cell) || ticked !== asked)),
    );
    await queries.invalidateQueries({ queryKey: ['clips'] });
  };

  const lines: Line[] = (sheet.data?.lines ?? []).map((l) => ({
    ...l,
    cells: l.cells.map((c) => ({ ...c, asked: pending[keyOf({ clipId: l.clipId, spec: c.spec })] ?? c.asked })),
  }));
  return {
    error: sheet.error,
    specs: sheet.data?.specs ?? null,
    shipped: sheet.data?.shipped ?? [],
    lines,
    /** Titles of episodes whose clips cannot be seen now. */
    away: sheet.data?.away ?? [],
    /** Asks for cells, or no longer; what was ticked before is sent before. */
    tick: (cells: Tick[], asked: boolean) => {
      setPending((before) => ({ ...before, ...Object.fromEntries(cells.map((c) => [keyOf(c), asked])) }));
      ticks.current = ticks.current.then(() => send(cells, asked));
    },
    renderAll: async () => {
      // What was ticked a moment ago is rendered too.
      await ticks.current;
      try {
        await ('episode' in of ? api.renderAll(of.episode) : api.renderShelf(of.shelf));
      } catch (error) {
        useWorkbench.setState({ message: (error as Error).message });
      }
      await queries.invalidateQueries({ queryKey: ['sheet'] });
    },
  };
}
