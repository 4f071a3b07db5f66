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
  /** Before this share is done, how fast a job goes is taken from those before it. */
  public static final double TELLING = 0.1;

  /** How much faster one hand is while no other works, than while all do; a guess. */
  private static final double ALONE = 1.5;

  private final double secondsForWork;
  private final int hands;

  /**
   * A forecast.
   *
   * @param secondsForWork how long a unit of work takes one of all hands, seconds
   * @param hands how many jobs go on at a time, at least 1
   */
  public QueueForecast(double secondsForWork, int hands) {
    this.secondsForWork = secondsForWork;
    this.hands = Math.max(1, hands);
  }

  /**
   * Renderings that one hand makes at once.
   *
   * @param work how much there is to do, in whatever unit all have
   * @param progress the share that is done, 0 to 1
   * @param spentSeconds since it began; 0 for one that waits
   * @param isUnderWay whether somebody has it in hand
   */
  public record Job(double work, double progress, double spentSeconds, boolean isUnderWay) {}

  /** A job that goes on: what is left of it at the speed of all hands at once, seconds. */
  private static final class GoingOn {
    private final int number;
    private double left;

    GoingOn(int number, double left) {
      this.number = number;
      this.left = left;
    }
  }

  /** Seconds from now until each is done, in the order of the jobs. */
  public List<Double> secondsLeft(List<Job> jobs) {
    List<Double> done = new ArrayList<>(Collections.nCopies(jobs.size(), 0.0));
    List<GoingOn> goingOn = new ArrayList<>();
    double speedNow = speed((int) jobs.stream().filter(Job::isUnderWay).count());
    for (int i = 0; i < jobs.size(); i++) {
      if (jobs.get(i).isUnderWay()) {
        goingOn.add(new GoingOn(i, rest(jobs.get(i), speedNow)));
      }
    }
    double now = 0;
    int next = 0;
    while (true) {
      for (;
          next < jobs.size() && (goingOn.size() < hands || jobs.get(next).isUnderWay());
          next++) {
        if (!jobs.get(next).isUnderWay()) {
          goingOn.add(new GoingOn(next, jobs.get(next).work() * secondsForWork));
        }
      }
      if (goingOn.isEmpty()) {
        return done;
      }
      double least = goingOn.stream().mapToDouble(g -> g.left).min().orElse(0);
      now += least / speed(goingOn.size());
      for (GoingOn job : List.copyOf(goingOn)) {
        job.left -= least;
        if (job.left <= 0) {
          done.set(job.number, now);
          goingOn.remove(job);
        }
      }
    }
  }

  /** How fast each of so many jobs goes on, where all hands at once have 1. */
  private double speed(int busy) {
    return hands == 1 || busy >= hands
        ? 1
        : 1 + (ALONE - 1) * (hands - Math.max(1, busy)) / (hands - 1);
  }

  private double rest(Job job, double speedNow) {
    double undone = Math.max(0, 1 - job.progress());
    return job.progress() >= TELLING
        ? job.spentSeconds() / job.progress() * undone * speedNow
        : job.work() * secondsForWork * undone;
  }
}
