package paringknife.server.deliver;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.server.workers.Workers;

/** When what is under way will be done, as the queue is now. */
@Component
class QueueRest {
  private final QueueStore queue;
  private final Workers workers;

  QueueRest(QueueStore queue, Workers workers) {
    this.queue = queue;
    this.workers = workers;
  }

  RestTimes now() {
    return of(queue.orders(), queue.isPaused());
  }

  RestTimes of(List<QueueStore.Order> orders, boolean paused) {
    return RestTimes.of(orders, queue.worked(), workers.hands(), paused, Instant.now());
  }
}
