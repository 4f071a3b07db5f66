package paringknife.server.shelf;

import java.util.Set;
import java.util.function.DoubleConsumer;
import paringknife.server.events.Throttle;

/** Writes down how far the work on an episode is, and ends it when the producer stopped it. */
final class IngestProgress {
  /** The whole is told by the episode being ready, and by nothing before. */
  private static final double NEARLY = 0.99;

  private final EpisodeStore.Work work;
  private final EpisodeStore store;
  private final Set<IngestStep> expected;
  private final Throttle throttle = new Throttle();

  /** Thrown out of work that is not wanted any more. */
  static final class Stopped extends RuntimeException {
    private static final long serialVersionUID = 1;
  }

  /**
   * @param expected the steps that the work consists of
   */
  IngestProgress(EpisodeStore.Work work, EpisodeStore store, Set<IngestStep> expected) {
    this.work = work;
    this.store = store;
    this.expected = expected;
  }

  DoubleConsumer of(IngestStep step) {
    report(step, 0);
    return share -> throttle.run(() -> report(step, share));
  }

  private void report(IngestStep step, double share) {
    if (!store.reportStep(work, step, share, Math.min(NEARLY, step.ofAll(share, expected)))) {
      throw new Stopped();
    }
  }
}
