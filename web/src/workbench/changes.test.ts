import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ClipState, ClipStep, Intent } from '../api/client';

const server = vi.hoisted(() => ({ change: vi.fn(), clip: vi.fn(), undo: vi.fn() }));
vi.mock('../api/client', async (original) => ({ ...(await original<typeof import('../api/client')>()), api: server }));

import { Refusal } from '../api/client';
import { QueryClient } from '@tanstack/react-query';
import { ClipChanges } from './changes';
import { useWorkbench } from './store';

const state = (revision: number) =>
  ({
    id: 7,
    revision,
    delivered: { title: `after ${revision}`, specs: [] },
    pared: { kept: [], cut: [], removals: [], lengthUs: revision },
  }) as unknown as ClipState;
const nothing = { from: 0, taken: 0, added: [] };
const step = (from: number) =>
  ({
    ...state(from + 1),
    fromRevision: from,
    pared: { kept: nothing, cut: nothing, removals: nothing, spans: 0, lengthUs: from + 1 },
  }) as unknown as ClipStep;
const pare = (word: number): Intent => ({ type: 'pareWords', first: word, last: word });

const { change, pareWords, undo } = new ClipChanges(new QueryClient());

describe('changes', () => {
  beforeEach(() => {
    vi.resetAllMocks();
    vi.stubGlobal('requestAnimationFrame', (done: () => void) => setTimeout(done));
    useWorkbench.setState({ clip: state(1), saving: 0, striking: [], message: null });
    server.change.mockImplementation(async (_id: number, revision: number) => step(revision));
  });

  it('that come faster than answers each start from the state the one before left', async () => {
    const asked: number[] = [];
    server.change.mockImplementation((_id: number, revision: number) => {
      asked.push(revision);
      return new Promise((answer) => setTimeout(() => answer(step(revision)), 5));
    });
    await Promise.all([change(pare(1)), change(pare(2)), change(pare(3))]);
    expect(asked).toEqual([1, 2, 3]);
    expect(useWorkbench.getState().clip?.revision).toBe(4);
  });

  it('that follow from the state are worked out when their turn comes', async () => {
    const seen: number[] = [];
    const next = (clip: ClipState) => {
      seen.push(clip.revision);
      return pare(clip.revision);
    };
    await Promise.all([change(next), change(next)]);
    expect(seen).toEqual([1, 2]);
  });

  it('are called saved only when all are answered', async () => {
    const first = change(pare(1));
    const second = change(pare(2));
    expect(useWorkbench.getState().saving).toBe(2);
    await first;
    expect(useWorkbench.getState().saving).toBe(1);
    await second;
    expect(useWorkbench.getState().saving).toBe(0);
  });

  it('made in another window come first: what it left is shown, nothing is overwritten, and work goes on', async () => {
    server.change.mockRejectedValueOnce(new Refusal(409, 'This clip was changed in another window.'));
    server.clip.mockResolvedValue(state(9));
    await change(pare(1));
    expect(useWorkbench.getState().message).toBe('This clip was changed in another window.');
    expect(useWorkbench.getState().clip?.revision).toBe(9);
    await change(pare(2));
    expect(server.change).toHaveBeenLastCalledWith(7, 9, pare(2));
    expect(useWorkbench.getState().clip?.revision).toBe(10);
  });

  it('that are refused say why and leave the clip as it is', async () => {
    server.change.mockRejectedValueOnce(new Refusal(422, 'Nothing would be left.'));
    await change(pare(1));
    expect(useWorkbench.getState().message).toBe('Nothing would be left.');
    expect(useWorkbench.getState().clip).toEqual(state(1));
    expect(server.clip).not.toHaveBeenCalled();
    expect(useWorkbench.getState().saving).toBe(0);
  });

  it('answered from another state than the one shown have the whole clip fetched', async () => {
    server.change.mockResolvedValueOnce(step(4));
    server.clip.mockResolvedValue(state(5));
    await change(pare(1));
    expect(useWorkbench.getState().clip).toEqual(state(5));
  });

  it('are kept and sent again while the server is away', async () => {
    vi.useFakeTimers();
    const gone = new Refusal(0, 'The server does not answer.');
    server.change.mockRejectedValueOnce(gone);
    server.clip
      .mockRejectedValueOnce(gone)
      .mockRejectedValueOnce(new Refusal(503, 'The database does not answer.'))
      .mockResolvedValue(state(1));
    const both = Promise.all([change(pare(1)), change(pare(2))]);
    await vi.advanceTimersByTimeAsync(2_500);
    expect(useWorkbench.getState()).toMatchObject({
      saving: 2,
      message: expect.stringContaining('kept in this window'),
    });
    await vi.advanceTimersByTimeAsync(2_000);
    vi.useRealTimers();
    await both;
    expect(server.change.mock.calls.map(([, revision, intent]) => [revision, intent.first])).toEqual([
      [1, 1],
      [1, 1],
      [2, 2],
    ]);
    expect(useWorkbench.getState()).toMatchObject({
      saving: 0,
      message: 'The server answers again. Everything is saved.',
    });
    expect(useWorkbench.getState().clip?.revision).toBe(3);
  });

  it('that arrived although their answer was lost are not sent again', async () => {
    vi.useFakeTimers();
    server.change.mockRejectedValueOnce(new Refusal(0, 'The server does not answer.'));
    server.clip.mockResolvedValue(state(2));
    const lost = change(pare(1));
    await vi.advanceTimersByTimeAsync(1_100);
    vi.useRealTimers();
    await lost;
    expect(server.change).toHaveBeenCalledTimes(1);
    expect(useWorkbench.getState().clip).toEqual(state(2));
    expect(useWorkbench.getState().message).toBe('The server answers again. This is how it was saved.');
  });

  it('go to the clip that was open when they were asked for', async () => {
    server.clip.mockImplementation(async (id: number) => ({ ...state(2), id }));
    const both = Promise.all([change(pare(1)), change(pare(2))]);
    const other = { ...state(30), id: 8 };
    await Promise.resolve();
    useWorkbench.setState({ clip: other });
    await both;
    expect(server.change.mock.calls.map(([id, revision]) => [id, revision])).toEqual([
      [7, 1],
      [7, 2],
    ]);
    expect(useWorkbench.getState().clip).toBe(other);
  });

  it('strike words at once, and let each answer settle its own', async () => {
    const paring = pareWords(3, 5);
    const other = pareWords(8, 8);
    expect(useWorkbench.getState().striking).toEqual([
      { anchor: 3, focus: 5 },
      { anchor: 8, focus: 8 },
    ]);
    await paring;
    expect(useWorkbench.getState().striking).toEqual([{ anchor: 8, focus: 8 }]);
    await other;
    expect(useWorkbench.getState().striking).toEqual([]);
  });

  it('answered for a clip that was left do not come into the one that is open', async () => {
    let answer: (step: ClipStep) => void = () => undefined;
    server.undo.mockReturnValue(new Promise<ClipStep>((done) => (answer = done)));
    const undoing = undo();
    await Promise.resolve();
    const other = { ...state(3), id: 8 };
    useWorkbench.setState({ clip: other });
    answer(step(1));
    await undoing;
    expect(useWorkbench.getState().clip).toBe(other);
  });
});
