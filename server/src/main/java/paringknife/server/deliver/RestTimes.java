package paringknife.server.deliver;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.QueueForecast;

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
    Map<String, Long> seconds = new HashMap<>();
    measured
        .or(() -> rateOfWhatGoesOn(told))
        .ifPresent(
            rate -> {
              List<Double> left =
                  new QueueForecast(rate, hands)
                      .secondsLeft(told.stream().map(RestTimes::job).toList());
              for (int i = 0; i < told.size(); i++) {
                seconds.put(told.get(i).row().fingerprint(), Math.round(left.get(i)));
              }
            });
    return new RestTimes(seconds, copying);
  }

  /** Of the first renderings ever, once enough of them is done to tell. */
  private static Optional<Double> rateOfWhatGoesOn(List<QueueStore.Order> orders) {
    return orders.stream()
        .filter(o -> o.row().state() == RenderState.RENDERING && o.work() > 0)
        .map(RestTimes::job)
        .filter(j -> j.progress() >= QueueForecast.TELLING)
        .map(j -> j.spentSeconds() / (j.progress() * j.work()))
        .max(Double::compare);
  }

  private static QueueForecast.Job job(QueueStore.Order order) {
    Instant began = order.row().startedAt();
    if (order.row().state() != RenderState.RENDERING || began == null) {
      return new QueueForecast.Job(order.work(), 0, 0, false, false);
    }
    double spent = Duration.between(began, Instant.now()).toMillis() / 1000.0;
    return new QueueForecast.Job(
        order.work(), order.row().progress(), spent, true, order.row().ledBy() != null);
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
