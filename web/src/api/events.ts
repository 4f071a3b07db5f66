import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { ClipsToldOf, type ClipTold } from '../workbench/clipsToldOf';
import { tellBatch, type Batch } from '../queue/batch';
import { useLine } from './line';
import { soon } from './soon';
import { useWorkbench } from '../workbench/store';
import { api, type Present } from './client';

const SHEET_MS = 200;

/**
 * Keeps what is shown fresh: the server says what has moved, the queries fetch it again. What it said while
 * the line was lost was not heard, so that all is fetched again once it is back; but not a transcript while
 * a correction of it is under way.
 *
 * @param line another number is another line, after one that the server has closed for good
 */
export function useServerEvents(line: number) {
  const queries = useQueryClient();
  useEffect(() => {
    const source = new EventSource('/api/events');
    const clips = new ClipsToldOf(queries);
    // Two hundred clips that change together are one sheet to fetch.
    const sheets = soon(() => {
      for (const shown of ['sheet', 'proofs']) void queries.invalidateQueries({ queryKey: [shown] });
    }, SHEET_MS);
    const unsubscribe = useWorkbench.subscribe((now, before) => {
      if (now.saving === 0 && before.saving > 0) clips.settle();
    });
    let lost = line > 0;
    source.onerror = () => {
      lost = true;
      useLine.setState({ server: false });
      // A refusal closes it for good; asking anything tells why.
      if (source.readyState === EventSource.CLOSED) void api.presence().catch(() => undefined);
    };
    const fetchAgain = () =>
      void queries.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== 'transcript' || useWorkbench.getState().saving === 0,
      });
    source.onopen = () => {
      useLine.setState({ server: true, database: true });
      if (lost) fetchAgain();
      lost = false;
    };
    source.addEventListener('database', (e) => {
      const database = (JSON.parse((e as MessageEvent).data) as { answers: boolean }).answers;
      useLine.setState({ database });
      if (database) fetchAgain();
    });
    source.addEventListener('shelf', () => {
      queries.invalidateQueries({ queryKey: ['shelf'] });
    });
    source.addEventListener('clips', () => {
      queries.invalidateQueries({ queryKey: ['clips'] });
      sheets.ask();
    });
    source.addEventListener('clip', (e) => {
      clips.hear(JSON.parse((e as MessageEvent).data) as ClipTold);
      sheets.ask();
    });
    source.addEventListener('transcript', (e) => {
      const id = JSON.parse((e as MessageEvent).data).episodeId as number;
      if (useWorkbench.getState().saving === 0) void queries.invalidateQueries({ queryKey: ['transcript', id] });
    });
    source.addEventListener('people', () => {
      for (const seen of ['episode', 'faces', 'preview', 'sheet']) void queries.invalidateQueries({ queryKey: [seen] });
    });
    source.addEventListener('remarks', () => {
      for (const said of ['remarks', 'proofs']) void queries.invalidateQueries({ queryKey: [said] });
    });
    source.addEventListener('renderings', () => {
      sheets.ask();
      queries.invalidateQueries({ queryKey: ['queue'] });
    });
    source.addEventListener('outbox', () => {
      queries.invalidateQueries({ queryKey: ['outbox'] });
    });
    source.addEventListener('presence', (e) => {
      queries.setQueryData(['presence'], JSON.parse((e as MessageEvent).data) as Present[]);
    });
    source.addEventListener('batch', (e) => tellBatch(JSON.parse((e as MessageEvent).data) as Batch));
    return () => {
      unsubscribe();
      sheets.forget();
      source.close();
    };
  }, [queries, line]);
}
