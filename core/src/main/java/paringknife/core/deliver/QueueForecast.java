package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * When each job of a queue will be done: as many at a time as there are hands, the next one taken
 * by whoever is free first (list scheduling; Graham, Bounds on Multiprocessing Timing Anomalies,
 * 1969). Hands share processors, so that the last jobs of a queue go on faster.
 */
public final class QueueForecast {
  /**
   * How much faster one hand encodes while no other works, than while all do; measured with two.
   */
  private static final double ENCODES_ALONE = 2.4;

  /** The same of going through finished files, which leaves processors idle. */
  private static final double GOES_THROUGH_ALONE = 1.8;

  private static final double NOTHING = 1e-9;

  private final double secondsForWork;
  private final int hands;

  /**
   * A forecast.
   *
   * @param workPerSecond what all hands together do, more than 0
   * @param hands how many jobs go on at a time, at least 1
   */
  public QueueForecast(double workPerSecond, int hands) {
    this.hands = Math.max(1, hands);
    this.secondsForWork = this.hands / workPerSecond;
  }

  /**
   * Renderings that one hand makes at once.
   *
   * @param work how much there is to do, in whatever unit all have
   * @param progress the share that is done, 0 to 1
   * @param spentSeconds since it began; 0 for one that waits
   * @param besideSeconds in how many of them others were worked on, too
   * @param encoded how far it is when files begin to be gone through, 0 to 1
   * @param isUnderWay whether somebody has it in hand
   */
  public record Job(
      double work,
      double progress,
      double spentSeconds,
      double besideSeconds,
      double encoded,
      boolean isUnderWay) {}

  /** A job that goes on, and what is left of it at the speed of all hands at once, seconds. */
  private final class GoingOn {
    private final int number;
    private double encoding;
    private double goingThrough;

    GoingOn(int number, Job job, double left) {
      double progress = Math.min(1, job.progress());
      double share = progress >= job.encoded() ? 0 : (job.encoded() - progress) / (1 - progress);
      this.number = number;
      this.encoding = left * share;
      this.goingThrough = left * (1 - share);
    }

    boolean isDone() {
      return encoding <= 0 && goingThrough <= 0;
    }

    /** Until its present part is done, beside so many others. */
    double seconds(int busy) {
      return encoding > 0
          ? encoding / speed(ENCODES_ALONE, busy)
          : goingThrough / speed(GOES_THROUGH_ALONE, busy);
    }

    /** Not beyond the end of its present part. */
    void goOn(double seconds, int busy) {
      if (encoding > 0) {
        encoding = less(encoding, seconds * speed(ENCODES_ALONE, busy));
      } else {
        goingThrough = less(goingThrough, seconds * speed(GOES_THROUGH_ALONE, busy));
      }
    }

    private static double less(double left, double done) {
      return left - done < NOTHING ? 0 : left - done;
    }
  }

  /** Seconds from now until each is done, in the order of the jobs. */
  public List<Double> secondsLeft(List<Job> jobs) {
    List<Double> done = new ArrayList<>(Collections.nCopies(jobs.size(), 0.0));
    List<GoingOn> goingOn = new ArrayList<>();
    for (int i = 0; i < jobs.size(); i++) {
      if (jobs.get(i).isUnderWay()) {
        goingOn.add(new GoingOn(i, jobs.get(i), rest(jobs.get(i))));
      }
    }
    double now = 0;
    int next = 0;
    while (true) {
      for (;
          next < jobs.size() && (goingOn.size() < hands || jobs.get(next).isUnderWay());
          next++) {
        if (!jobs.get(next).isUnderWay()) {
          goingOn.add(new GoingOn(next, jobs.get(next), jobs.get(next).work() * secondsForWork));
        }
      }
      if (goingOn.isEmpty()) {
        return done;
      }
      int busy = goingOn.size();
      double least = goingOn.stream().mapToDouble(g -> g.seconds(busy)).min().orElse(0);
      now += least;
      for (GoingOn job : List.copyOf(goingOn)) {
        job.goOn(least, busy);
        if (job.isDone()) {
          done.set(job.number, now);
          goingOn.remove(job);
        }
      }
    }
  }

  /**
   * How fast each of so many jobs goes on, where all hands at once have 1.
   *
   * @param alone how fast the only one does
   */
  private double speed(double alone, int busy) {
    return hands == 1 || busy >= hands
        ? 1
        : 1 + (alone - 1) * (hands - Math.max(1, busy)) / (hands - 1);
  }

  /** The further it is, the more its own speed tells, and the less that of all. */
  private double rest(Job job) {
    double progress = Math.min(1, job.progress());
    double asOthers = job.work() * secondsForWork * (1 - progress);
    if (progress <= 0) {
      return asOthers;
    }
    double aloneSeconds = Math.max(0, job.spentSeconds() - job.besideSeconds());
    double spent = job.besideSeconds() + aloneSeconds * speed(ENCODES_ALONE, 1);
    double asItself = spent / progress * (1 - progress);
    return progress * asItself + (1 - progress) * asOthers;
  }
}
