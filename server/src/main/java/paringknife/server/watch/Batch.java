package paringknife.server.watch;

import java.util.Collection;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import paringknife.core.deliver.Check;
import paringknife.core.proof.ProofCopy;
import paringknife.server.deliver.RenderState;
import paringknife.server.deliver.RenderingStore;

/**
 * Renderings from the moment that one is under way until none is any more; films that are only
 * shown for a yes are nobody's delivery.
 */
final class Batch {
  private final Set<Long> seen = new HashSet<>();

  /**
   * What has become of a batch.
   *
   * @param finished how many files there are with which nothing is wrong
   * @param wrong how many were made, but are not right
   * @param failed how many could not be made
   */
  record Done(int finished, int wrong, int failed) {}

  /** Looks at all renderings; answers once what became of a batch, when nothing is under way. */
  Optional<Done> look(Collection<RenderingStore.Row> rows) {
    boolean isOver = true;
    int finished = 0;
    int wrong = 0;
    int failed = 0;
    for (RenderingStore.Row row : rows) {
      if (row.spec().equals(ProofCopy.ID)) {
        continue;
      }
      boolean isUnderWay =
          row.state() == RenderState.WAITING || row.state() == RenderState.RENDERING;
      if (isUnderWay) {
        seen.add(row.id());
        isOver = false;
      } else if (seen.contains(row.id())) {
        boolean isRight = Check.pass(row.checks());
        finished += row.state() == RenderState.DONE && isRight ? 1 : 0;
        wrong += row.state() == RenderState.DONE && !isRight ? 1 : 0;
        failed += row.state() == RenderState.FAILED ? 1 : 0;
      }
    }
    if (!isOver || seen.isEmpty()) {
      return Optional.empty();
    }
    seen.clear();
    return finished + wrong + failed == 0
        ? Optional.empty()
        : Optional.of(new Done(finished, wrong, failed));
  }
}
