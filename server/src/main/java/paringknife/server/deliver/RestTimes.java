package paringknife.server.deliver;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.deliver.QueueForecast;
import paringknife.core.deliver.QueuePace;
import paringknife.media.ffmpeg.Renderer;

/** When the orders of the queue will be done. Of those that come to one file only one is made. */
final class RestTimes {
  /** The share of the first rendering ever that tells how fast it goes. */
  private static final double TELLING = 0.1;

  static final RestTimes NONE = new RestTimes(Map.of(), Set.of());

  /** By the fingerprints of what is made. */
  private final Map<String, Long> seconds;

  private final Set<RenderingStore.Attempt> copying;

  private RestTimes(Map<String, Long> seconds, Set<RenderingStore.Attempt> copying) {
    this.seconds = seconds;
    this.copying = copying;
  }

  /**
   * Of a queue.
   *
   * @param worked what was worked on last, and is finished
   * @param hands how many renderings go on at a time
   * @param alone ids of specs whose files are each made by themselves
   */
  static RestTimes of(
      List<QueueStore.Order> orders,
      List<QueueStore.Worked> worked,
      int hands,
      Set<String> alone,
      boolean paused,
      Instant now) {
    Set<String> made = new HashSet<>();
    Set<RenderingStore.Attempt> copying = new HashSet<>();
    List<QueueStore.Order> told = new ArrayList<>();
    for (QueueStore.Order order : orders) {
      if (!order.row().state().isUnderWay()) {
        continue;
      }
      if (!made.add(order.row().fingerprint())) {
        copying.add(order.row().present());
      } else if (!paused || order.row().state() == RenderState.RENDERING) {
        told.add(order);
      }
    }
    List<Together> together = together(told, alone);
    Map<String, Long> seconds = new HashMap<>();
    QueuePace pace = pace(worked, together, now);
    if (pace.workPerSecond().isPresent() && isTold(worked, together)) {
      List<Double> left =
          new QueueForecast(pace.workPerSecond().getAsDouble(), hands)
              .secondsLeft(together.stream().map(t -> t.job(pace, now)).toList());
      for (int i = 0; i < together.size(); i++) {
        seconds.putAll(together.get(i).secondsLeft(left.get(i)));
      }
    }
    return new RestTimes(seconds, copying);
  }

  private static QueuePace pace(
      List<QueueStore.Worked> worked, List<Together> together, Instant now) {
    List<QueuePace.Worked> all = new ArrayList<>();
    for (QueueStore.Worked w : worked) {
      all.add(new QueuePace.Worked(w.clipId(), seconds(w.from()), seconds(w.to()), w.work()));
    }
    for (Together t : together) {
      if (t.isUnderWay()) {
        all.add(
            new QueuePace.Worked(
                t.clipId(), seconds(t.startedAt()), seconds(now), t.progress() * t.work()));
      }
    }
    return new QueuePace(all);
  }

  /** Of the first renderings ever nothing is told before enough is done of one. */
  private static boolean isTold(List<QueueStore.Worked> worked, List<Together> together) {
    return !worked.isEmpty()
        || together.stream().anyMatch(t -> t.isUnderWay() && t.progress() >= TELLING);
  }

  private static double seconds(Instant at) {
    return at.toEpochMilli() / 1000.0;
  }

  /** Orders that one hand has at once, or will have. */
  private record Together(List<QueueStore.Order> orders) {
    boolean isUnderWay() {
      return isUnderWay(orders.get(0));
    }

    static boolean isUnderWay(QueueStore.Order order) {
      return order.row().state() == RenderState.RENDERING && order.row().startedAt() != null;
    }

    double work() {
      return orders.stream().mapToDouble(QueueStore.Order::work).sum();
    }

    double progress() {
      return orders.stream().mapToDouble(o -> o.row().progress()).min().orElse(0);
    }

    long clipId() {
      return orders.get(0).row().clipId();
    }

    /** Of those under way. */
    Instant startedAt() {
      return orders.stream()
          .map(o -> o.row().startedAt())
          .filter(Objects::nonNull)
          .min(Comparator.naturalOrder())
          .orElseThrow();
    }

    QueueForecast.Job job(QueuePace pace, Instant now) {
      if (!isUnderWay()) {
        return new QueueForecast.Job(work(), 0, 0, 0, GroupProgress.ENCODED, false);
      }
      double from = seconds(startedAt());
      double besides = pace.besides(clipId(), from, seconds(now));
      return new QueueForecast.Job(
          work(), progress(), seconds(now) - from, besides, GroupProgress.ENCODED, true);
    }

    /**
     * Seconds until each is done, by the fingerprints of what is made. Of those under way one after
     * the other is gone through, whoever leads last.
     */
    Map<String, Long> secondsLeft(double left) {
      Map<String, Long> seconds = new HashMap<>();
      List<QueueStore.Order> inTurn =
          orders.stream().sorted(Comparator.comparing(o -> o.row().ledBy() == null)).toList();
      List<Double> works = inTurn.stream().map(QueueStore.Order::work).toList();
      double undone = 1 - progress();
      for (int i = 0; i < inTurn.size(); i++) {
        double until = isUnderWay() ? GroupProgress.once(progress(), works, i + 1) : 1;
        double share = undone <= 0 ? 0 : Math.max(0, until - progress()) / undone;
        seconds.put(inTurn.get(i).row().fingerprint(), Math.round(left * share));
      }
      return seconds;
    }

    /** Whether an order that waits would be taken beside these. */
    boolean takes(QueueStore.Order order, Set<String> alone) {
      return !isUnderWay()
          && orders.size() < Renderer.MOST_TOGETHER
          && orders.get(0).row().clipId() == order.row().clipId()
          && Stream.concat(orders.stream(), Stream.of(order))
              .allMatch(o -> isTaken(o) && !alone.contains(o.row().spec()));
    }

    private static boolean isTaken(QueueStore.Order order) {
      return order.row().errors() == 0 && KeptPieces.byId(order.row().spec()).isEmpty();
    }
  }

  private static List<Together> together(List<QueueStore.Order> orders, Set<String> alone) {
    Map<String, Together> underWay = new LinkedHashMap<>();
    List<Together> waiting = new ArrayList<>();
    for (QueueStore.Order order : orders) {
      if (Together.isUnderWay(order)) {
        String task =
            Optional.ofNullable(order.row().ledBy())
                .orElseGet(() -> RenderOrders.taskOf(order.row().present()));
        underWay.computeIfAbsent(task, t -> new Together(new ArrayList<>())).orders().add(order);
      } else if (!waiting.isEmpty() && waiting.get(waiting.size() - 1).takes(order, alone)) {
        waiting.get(waiting.size() - 1).orders().add(order);
      } else {
        waiting.add(new Together(new ArrayList<>(List.of(order))));
      }
    }
    return Stream.concat(underWay.values().stream(), waiting.stream()).toList();
  }

  /** Whether an order waits for another one that makes the same file. */
  boolean copies(QueueStore.Order order) {
    return copying.contains(order.row().present());
  }

  /** Until an order is done; null when not known. */
  @Nullable Long seconds(RenderingStore.Row order) {
    return order.state().isUnderWay() ? seconds.get(order.fingerprint()) : null;
  }
}
