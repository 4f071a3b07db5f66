import { QueryClient } from '@tanstack/react-query';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { TranscriptColumns, TranscriptStep } from '../api/client';

const server = vi.hoisted(() => ({ correct: vi.fn(), undoCorrection: vi.fn(), transcript: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<typeof import('../api/client')>()), api: server }));

import { Refusal } from '../api/client';
import { applyCorrection, Corrections } from './corrections';
import { useWorkbench } from './store';

const EPISODE = 4;
const KEY = ['transcript', EPISODE];

const transcript = (revision: number, text: string[]): TranscriptColumns => ({
  revision,
  undo: null,
  redo: null,
  timed: true,
  ids: text.map((_, i) => i),
  language: 'en',
  speakers: ['Ada'],
  text,
  startUs: text.map((_, i) => i * 1_000_000),
  endUs: text.map((_, i) => i * 1_000_000 + 600_000),
  speaker: text.map(() => 0),
  confidence: text.map(() => 1),
  paragraphs: [{ from: 0, to: text.length, speaker: 0 }],
  sentenceEnds: [text.length],
});

/** One word written anew, or as several that share its time. */
const step = (fromRevision: number, at: number, text: string[], length: number) =>
  ({
    fromRevision,
    revision: fromRevision + 1,
    undo: 'words',
    redo: null,
    speakers: ['Ada'],
    at,
    taken: 1,
    ids: text.map((_, i) => 100 + i),
    text,
    startUs: text.map((_, i) => at * 1_000_000 + (i * 600_000) / text.length),
    endUs: text.map((_, i) => at * 1_000_000 + ((i + 1) * 600_000) / text.length),
    speaker: text.map(() => 0),
    confidence: text.map(() => 1),
    paragraphs: [{ from: 0, to: length, speaker: 0 }],
    sentenceEnds: [length],
  }) as unknown as TranscriptStep;

describe('a correction', () => {
  it('replaces its words and leaves the times of all others', () => {
    const before = transcript(3, ['the', 'pont', 'runs', 'out']);
    const after = applyCorrection(before, step(3, 1, ['mill', 'pond'], 5))!;
    expect(after.text).toEqual(['the', 'mill', 'pond', 'runs', 'out']);
    expect(after.startUs).toEqual([0, 1_000_000, 1_300_000, 2_000_000, 3_000_000]);
    expect(after.revision).toBe(4);
    expect(before.text).toHaveLength(4);
  });

  it('of another state is not applied', () => {
    expect(applyCorrection(transcript(2, ['the']), step(3, 0, ['a'], 1))).toBeNull();
  });
});

describe('corrections', () => {
  let queries: QueryClient;
  let corrections: Corrections;
  const shown = () => queries.getQueryData<TranscriptColumns>(KEY)!;

  beforeEach(() => {
    vi.resetAllMocks();
    queries = new QueryClient();
    queries.setQueryData(KEY, transcript(1, ['the', 'pont', 'runs', 'uot']));
    corrections = new Corrections(queries, EPISODE);
    useWorkbench.setState({ saving: 0, message: null, lastEdited: 'clip' });
  });

  it('that come faster than answers start each from what the one before left', async () => {
    server.correct.mockImplementation(
      (_id: number, revision: number, intent: { word: number }) =>
        new Promise((answer) => setTimeout(() => answer(step(revision, intent.word, ['right'], 4)), 5)),
    );
    await Promise.all([
      corrections.correct({ type: 'capital', word: 1 }),
      corrections.correct({ type: 'capital', word: 3 }),
    ]);
    expect(server.correct.mock.calls.map(([, revision]) => revision)).toEqual([1, 2]);
    expect(shown().text).toEqual(['the', 'right', 'runs', 'right']);
    expect(useWorkbench.getState()).toMatchObject({ saving: 0, lastEdited: 'transcript' });
  });

  it('have the clips fetched again where words became more or fewer, and only there', async () => {
    const invalidated = vi.spyOn(queries, 'invalidateQueries');
    const clipsAsked = () => invalidated.mock.calls.filter(([filter]) => filter?.queryKey?.[0] === 'clips').length;
    server.correct.mockResolvedValueOnce(step(1, 1, ['pond'], 4));
    await corrections.correct({ type: 'capital', word: 1 });
    expect(clipsAsked()).toBe(0);
    server.correct.mockResolvedValueOnce(step(2, 1, ['mill', 'pond'], 5));
    await corrections.correct({ type: 'capital', word: 1 });
    expect(clipsAsked()).toBe(1);
  });

  it('made in another window first are not overwritten', async () => {
    const invalidated = vi.spyOn(queries, 'invalidateQueries');
    server.correct.mockRejectedValueOnce(new Refusal(409, 'The transcript was changed in another window.'));
    await corrections.correct({ type: 'capital', word: 1 });
    expect(useWorkbench.getState().message).toBe('The transcript was changed in another window.');
    expect(invalidated).toHaveBeenCalledWith({ queryKey: KEY });
    expect(shown().revision).toBe(1);
  });

  it('that arrived although their answer was lost show the transcript as it was saved', async () => {
    vi.useFakeTimers();
    server.correct.mockRejectedValueOnce(new Refusal(0, 'The server does not answer.'));
    server.transcript.mockResolvedValue(transcript(2, ['the', 'pond', 'runs', 'uot']));
    const lost = corrections.correct({ type: 'capital', word: 1 });
    await vi.advanceTimersByTimeAsync(1_100);
    vi.useRealTimers();
    await lost;
    expect(server.correct).toHaveBeenCalledTimes(1);
    expect(shown()).toMatchObject({ revision: 2, text: ['the', 'pond', 'runs', 'uot'] });
  });
});
