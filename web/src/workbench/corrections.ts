import type { QueryClient } from '@tanstack/react-query';
import { api, Refusal, type CorrectionIntent, type TranscriptColumns, type TranscriptStep } from '../api/client';
import type { Playback } from '../plate/Playback';
import { useWorkbench } from './store';
import { untilAnswered } from './untilAnswered';

/** The transcript after a step; null when the step goes on from another state than this one. */
export function applyCorrection(t: TranscriptColumns, step: TranscriptStep): TranscriptColumns | null {
  if (t.revision !== step.fromRevision) return null;
  const put = <T>(column: T[], added: T[]) => [
    ...column.slice(0, step.at),
    ...added,
    ...column.slice(step.at + step.taken),
  ];
  return {
    ...t,
    revision: step.revision,
    undo: step.undo,
    redo: step.redo,
    speakers: step.speakers,
    ids: put(t.ids, step.ids),
    text: put(t.text, step.text),
    startUs: put(t.startUs, step.startUs),
    endUs: put(t.endUs, step.endUs),
    speaker: put(t.speaker, step.speaker),
    confidence: put(t.confidence, step.confidence),
    paragraphs: step.paragraphs,
    sentenceEnds: step.sentenceEnds,
  };
}

/** Sends corrections of one episode's transcript, one after the other. */
export class Corrections {
  private queue: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly queries: QueryClient,
    private readonly episodeId: number,
  ) {}

  private get key() {
    return ['transcript', this.episodeId];
  }

  correct = (intent: CorrectionIntent) => this.send((t) => api.correct(this.episodeId, t.revision, intent));
  undo = () => this.send((t) => api.undoCorrection(this.episodeId, t.revision));
  redo = () => this.send((t) => api.redoCorrection(this.episodeId, t.revision));

  private send(act: (t: TranscriptColumns) => Promise<TranscriptStep>): Promise<void> {
    useWorkbench.setState((s) => ({ saving: s.saving + 1, lastEdited: 'transcript' }));
    const work = this.queue.then(async () => {
      try {
        const before = this.queries.getQueryData<TranscriptColumns>(this.key);
        if (!before) return;
        const answer = await untilAnswered(
          before.revision,
          () => act(before),
          () => api.transcript(this.episodeId),
        );
        const after = 'state' in answer ? answer.state : applyCorrection(before, answer.step);
        if (after) this.queries.setQueryData(this.key, after);
        else await this.queries.invalidateQueries({ queryKey: this.key });
        void this.queries.invalidateQueries({ queryKey: ['doubtful', this.episodeId] });
        void this.queries.invalidateQueries({ queryKey: ['preview'] });
        void this.queries.invalidateQueries({ queryKey: ['cues'] });
        void this.queries.invalidateQueries({ queryKey: ['glossary', this.episodeId] });
        if ('state' in answer || answer.step.taken !== answer.step.ids.length)
          void this.queries.invalidateQueries({ queryKey: ['clips', this.episodeId] });
      } catch (error) {
        const refusal = error as Refusal;
        useWorkbench.setState({ message: refusal.message });
        if (refusal.status === 409) await this.queries.invalidateQueries({ queryKey: this.key });
      } finally {
        useWorkbench.setState((s) => ({ saving: s.saving - 1 }));
      }
    });
    this.queue = work.catch(() => undefined);
    return work;
  }
}

/** Opens a text field over the selected words; playing stops while typing. */
export function startCorrecting(playback: Playback, first: number, last: number) {
  playback.waitForTyping();
  useWorkbench.setState({ correcting: { anchor: first, focus: last } });
}

/** Closes the text field; what played before goes on from the word after. */
export function stopCorrecting(playback: Playback, nextUs: number | null) {
  useWorkbench.setState({ correcting: null });
  playback.goOnAfterTyping(nextUs);
}
