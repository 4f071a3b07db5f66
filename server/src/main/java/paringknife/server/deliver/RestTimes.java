package paringknife.server.deliver;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.deliver.QueueForecast;
import paringknife.media.ffmpeg.Renderer;

/** When the orders of the queue will be done. Of those that come to one file only one is made. */
final class RestTimes {
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
   * @param measured seconds that a unit of work took of late; empty where nothing was measured
   * @param hands how many renderings go on at a time
   */
  static RestTimes of(
      List<QueueStore.Order> orders, Optional<Double> measured, int hands, boolean paused) {
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
    List<Together> together = together(told);
    Map<String, Long> seconds = new HashMap<>();
    measured
        .or(() -> rateOfWhatGoesOn(together))
        .ifPresent(
            rate -> {
              List<Double> left =
                  new QueueForecast(rate, hands)
                      .secondsLeft(together.stream().map(Together::job).toList());
              for (int i = 0; i < together.size(); i++) {
                together.get(i).tell(left.get(i), seconds);
              }
            });
    return new RestTimes(seconds, copying);
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

    QueueForecast.Job job() {
      if (!isUnderWay()) {
        return new QueueForecast.Job(work(), 0, 0, false);
      }
      double progress = orders.stream().mapToDouble(o -> o.row().progress()).min().orElse(0);
      double spent = orders.stream().mapToDouble(o -> spent(o.row().startedAt())).max().orElse(0);
      return new QueueForecast.Job(work(), progress, spent, true);
    }

    private static double spent(@Nullable Instant since) {
      return since == null ? 0 : Duration.between(since, Instant.now()).toMillis() / 1000.0;
    }

    /** Of those under way one after the other is gone through, whoever leads last. */
    void tell(double left, Map<String, Long> seconds) {
      List<QueueStore.Order> inTurn =
          orders.stream().sorted(Comparator.comparing(o -> o.row().ledBy() == null)).toList();
      List<Double> works = inTurn.stream().map(QueueStore.Order::work).toList();
      double progress = isUnderWay() ? job().progress() : 0;
      for (int i = 0; i < inTurn.size(); i++) {
        double until = isUnderWay() ? GroupProgress.goneThrough(works, i + 1) : 1;
        double rest = progress >= 1 ? 0 : left * Math.max(0, until - progress) / (1 - progress);
        seconds.put(inTurn.get(i).row().fingerprint(), Math.round(rest));
      }
    }

    /** Whether an order that waits would be taken beside these. */
    boolean takes(QueueStore.Order order) {
      return !isUnderWay()
          && orders.size() < Renderer.MOST_TOGETHER
          && orders.get(0).row().clipId() == order.row().clipId()
          && Stream.concat(orders.stream(), Stream.of(order)).allMatch(Together::isTaken);
    }

    private static boolean isTaken(QueueStore.Order order) {
      return order.row().errors() == 0 && KeptPieces.byId(order.row().spec()).isEmpty();
    }
  }

  private static List<Together> together(List<QueueStore.Order> orders) {
    Map<String, Together> underWay = new LinkedHashMap<>();
    List<Together> waiting = new ArrayList<>();
    for (QueueStore.Order order : orders) {
      if (Together.isUnderWay(order)) {
        String task =
            Optional.ofNullable(order.row().ledBy())
                .orElseGet(() -> RenderOrders.taskOf(order.row().present()));
        underWay.computeIfAbsent(task, t -> new Together(new ArrayList<>())).orders().add(order);
      } else if (!waiting.isEmpty() && waiting.get(waiting.size() - 1).takes(order)) {
        waiting.get(waiting.size() - 1).orders().add(order);
      } else {
        waiting.add(new Together(new ArrayList<>(List.of(order))));
      }
    }
    return Stream.concat(underWay.values().stream(), waiting.stream()).toList();
  }

  /** Of the first renderings ever, once enough of them is done to tell. */
  private static Optional<Double> rateOfWhatGoesOn(List<Together> together) {
    return together.stream()
        .filter(t -> t.isUnderWay() && t.work() > 0)
        .map(Together::job)
        .filter(j -> j.progress() >= QueueForecast.TELLING)
        .map(j -> j.spentSeconds() / (j.progress() * j.work()))
        .max(Double::compare);
  }

  /** Whether an order waits for another one that makes the same file. */
  boolean copies(QueueStore.Order order) {
    return copying.contains(order.row().present());
  }

  /** Until an order is done; null when not known. */
  @Nullable Long seconds(QueueStore.Order order) {
    return order.row().state().isUnderWay() ? seconds.get(order.row().fingerprint()) : null;
  }
}
