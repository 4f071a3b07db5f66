package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.PriorityQueue;

/**
 * When each rendering of a queue will be done: as many at a time as there are hands, the next one
 * taken by whoever is free first (list scheduling; Graham, Bounds on Multiprocessing Timing
 * Anomalies, 1969).
 */
public final class QueueForecast {
  /** Before this share is done, how fast a rendering goes is taken from those before it. */
  public static final double TELLING = 0.1;

  private final double secondsForWork;
  private final int hands;

  /**
   * A forecast.
   *
   * @param secondsForWork how long a unit of work takes one hand, seconds
   * @param hands how many renderings go on at a time, at least 1
   */
  public QueueForecast(double secondsForWork, int hands) {
    this.secondsForWork = secondsForWork;
    this.hands = Math.max(1, hands);
  }

  /**
   * A rendering.
   *
   * @param work how much there is to do, in whatever unit all have
   * @param progress the share that is done, 0 to 1
   * @param spentSeconds since it began; 0 for one that waits
   * @param isUnderWay whether somebody has it in hand
   * @param isBesideAnother whether that is a hand that is busy with another rendering anyway
   */
  public record Job(
      double work,
      double progress,
      double spentSeconds,
      boolean isUnderWay,
      boolean isBesideAnother) {}

  /** Seconds from now until each is done, in the order of the jobs. */
  public List<Double> secondsLeft(List<Job> jobs) {
    PriorityQueue<Double> free = new PriorityQueue<>();
    List<Double> left = new ArrayList<>();
    for (Job job : jobs) {
      double begins = job.isUnderWay() || free.size() < hands ? 0 : free.remove();
      double done = begins + rest(job);
      if (!job.isBesideAnother()) {
        free.add(done);
      }
      left.add(done);
    }
    return left;
  }

  private double rest(Job job) {
    double undone = Math.max(0, 1 - job.progress());
    return job.isUnderWay() && job.progress() >= TELLING
        ? job.spentSeconds() / job.progress() * undone
        : job.work() * secondsForWork * undone;
  }
}
