package paringknife.core.deliver;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;

/**
 * How fast a queue has gone of late. Hands share processors: what one of them does in a second
 * depends on what the others do, and hardly what all of them do together.
 */
public final class QueuePace {
  private final List<Worked> all;

  /**
   * A stretch in which a job was worked on.
   *
   * @param job whose it was
   * @param from seconds on any clock
   * @param to seconds on the same clock
   * @param work what was done in it, in whatever unit all have
   */
  public record Worked(long job, double from, double to, double work) {}

  /** Of stretches that may lie beside one another. */
  public QueuePace(List<Worked> all) {
    this.all = all.stream().sorted(Comparator.comparingDouble(Worked::from)).toList();
  }

  /** Work that all hands together do in a second; empty where nothing has been done. */
  public OptionalDouble workPerSecond() {
    double work = all.stream().mapToDouble(Worked::work).sum();
    double seconds = seconds(w -> true, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
    return work > 0 && seconds > 0 ? OptionalDouble.of(work / seconds) : OptionalDouble.empty();
  }

  /** For how long between two times others than a job were worked on, seconds. */
  public double besides(long job, double from, double to) {
    return seconds(w -> w.job() != job, from, to);
  }

  private double seconds(Predicate<Worked> which, double from, double to) {
    double seconds = 0;
    double until = from;
    for (Worked worked : all) {
      if (!which.test(worked)) {
        continue;
      }
      double begins = Math.max(until, worked.from());
      double ends = Math.min(to, worked.to());
      if (ends > begins) {
        seconds += ends - begins;
        until = ends;
      }
    }
    return seconds;
  }
}
