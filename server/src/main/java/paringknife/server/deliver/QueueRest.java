package paringknife.server.deliver;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.DeliverySpec;
import paringknife.server.specs.SpecStore;
import paringknife.server.workers.Workers;

/** When what is under way will be done, as the queue is now. */
@Component
class QueueRest {
  private final QueueStore queue;
  private final Workers workers;
  private final SpecStore specs;

  QueueRest(QueueStore queue, Workers workers, SpecStore specs) {
    this.queue = queue;
    this.specs = specs;
    this.workers = workers;
  }

  RestTimes now() {
    return of(queue.orders(), queue.isPaused());
  }

  RestTimes of(List<QueueStore.Order> orders, boolean paused) {
    Set<String> heldToSize =
        specs.all().all().stream()
            .filter(s -> s.encoding().limitsSize())
            .map(DeliverySpec::id)
            .collect(Collectors.toSet());
    return RestTimes.of(orders, queue.worked(), workers.hands(), heldToSize, paused, Instant.now());
  }
}
