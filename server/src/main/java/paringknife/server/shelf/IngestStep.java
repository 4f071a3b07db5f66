package paringknife.server.shelf;

import java.util.Set;

/** What is done to an episode in the background, in this order. */
enum IngestStep {
  LINING_UP(0.1),
  PICTURE_AND_SOUND(0.6),
  WORDS(0.4);

  private final double weight;

  IngestStep(double weight) {
    this.weight = weight;
  }

  /**
   * Share of all work at which a share of this step is.
   *
   * @param expected the steps that the work consists of
   */
  double ofAll(double share, Set<IngestStep> expected) {
    double before = 0;
    double all = 0;
    for (IngestStep step : expected) {
      before += step.ordinal() < ordinal() ? step.weight : 0;
      all += step.weight;
    }
    return (before + weight * share) / all;
  }
}
