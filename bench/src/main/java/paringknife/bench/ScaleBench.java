package paringknife.bench;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.PriorityQueue;
import java.util.Random;

/**
 * How long batches wait when more producers share more machines: a simulation of working days,
 * event by event, from what work was measured to take. Machines are taken to be like this one; what
 * was asked for last is done first, as in the queue, and a recording is taken in when no batch
 * waits.
 */
final class ScaleBench {
  private static final int DAYS = 300;
  private static final double HOUR = 3_600;

  /** A producer's day: one episode taken in, one batch of clips for some specs, some once more. */
  private static final double EPISODE_S = HOUR;

  private static final int CLIPS = 12;
  private static final int SPECS = 3;
  private static final double CLIP_S = 40;
  private static final int CHANGED = 3;

  /** When episodes come and when batches are ordered, hours and their spread; a guess. */
  private static final double COMES_AT = 9.5;

  private static final double ORDERED_AT = 16.5;
  private static final double SPREAD = 1.2;
  private static final double CHANGED_LATER = 0.5;

  /** A batch is to be there within this, for nineteen of twenty. */
  private static final double YARDSTICK_S = 1_800;

  private static final int[] PRODUCERS = {1, 3, 10, 30};
  private static final int[] MACHINES = {1, 2, 4, 8};

  private ScaleBench() {}

  /** What somebody asks for at one moment: tasks of so many seconds each on one machine. */
  private record Order(double atS, boolean isBatch, int tasks, double taskS) {}

  /** An order of which something is left to do. */
  private static final class Open {
    private final Order order;
    private int toBegin;
    private int toEnd;

    private Open(Order order) {
      this.order = order;
      this.toBegin = order.tasks();
      this.toEnd = order.tasks();
    }
  }

  private record Ending(double atS, Open open) {}

  static void run(Costs costs) {
    System.out.printf(
        Locale.ROOT,
        "a second of film takes %.2f s here, a second of a recording %.3f s%n",
        costs.render(),
        costs.ingest());
    for (int producers : PRODUCERS) {
      for (int machines : MACHINES) {
        double[] waits = waits(producers, machines, costs);
        System.out.printf(
            Locale.ROOT,
            "%d producers, %d machines: a batch within / 30 minutes, 95th percentile: %.2f"
                + " (median %.2f)%n",
            producers,
            machines,
            waits[(int) (waits.length * 0.95)] / YARDSTICK_S,
            waits[waits.length / 2] / YARDSTICK_S);
      }
    }
  }

  /** How long batches took from being ordered to their last file, in order. */
  private static double[] waits(int producers, int machines, Costs costs) {
    Random random = new Random(7);
    List<Double> waits = new ArrayList<>();
    for (int day = 0; day < DAYS; day++) {
      waits.addAll(day(orders(producers, costs, random), machines));
    }
    double[] sorted = waits.stream().mapToDouble(Double::doubleValue).toArray();
    Arrays.sort(sorted);
    return sorted;
  }

  private static List<Order> orders(int producers, Costs costs, Random random) {
    List<Order> orders = new ArrayList<>();
    double file = CLIP_S * costs.render();
    for (int p = 0; p < producers; p++) {
      orders.add(new Order(hours(COMES_AT, random), false, 1, EPISODE_S * costs.ingest()));
      double ordered = hours(ORDERED_AT, random);
      orders.add(new Order(ordered, true, CLIPS * SPECS, file));
      orders.add(new Order(ordered + CHANGED_LATER * HOUR, true, CHANGED * SPECS, file));
    }
    orders.sort(Comparator.comparingDouble(Order::atS));
    return orders;
  }

  private static double hours(double middle, Random random) {
    return (middle + SPREAD * random.nextGaussian()) * HOUR;
  }

  private static List<Double> day(List<Order> orders, int machines) {
    List<Double> waits = new ArrayList<>();
    Deque<Open> batches = new ArrayDeque<>();
    Deque<Open> others = new ArrayDeque<>();
    PriorityQueue<Ending> working = new PriorityQueue<>(Comparator.comparingDouble(Ending::atS));
    int next = 0;
    while (next < orders.size() || !working.isEmpty()) {
      boolean orderComes =
          !working.isEmpty() && next < orders.size()
              ? orders.get(next).atS() <= working.peek().atS()
              : working.isEmpty();
      double now;
      if (orderComes) {
        Order order = orders.get(next++);
        now = order.atS();
        if (order.isBatch()) {
          batches.push(new Open(order));
        } else {
          others.add(new Open(order));
        }
      } else {
        Ending ended = working.remove();
        now = ended.atS();
        if (--ended.open().toEnd == 0 && ended.open().order.isBatch()) {
          waits.add(now - ended.open().order.atS());
        }
      }
      while (working.size() < machines && !(batches.isEmpty() && others.isEmpty())) {
        Deque<Open> from = batches.isEmpty() ? others : batches;
        Open open = from.peek();
        working.add(new Ending(now + open.order.taskS(), open));
        if (--open.toBegin == 0) {
          from.remove();
        }
      }
    }
    return waits;
  }
}
