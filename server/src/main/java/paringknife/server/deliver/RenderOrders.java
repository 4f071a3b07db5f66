package paringknife.server.deliver;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Instant;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes orders of the renderer: the row and the task that works on it come in one transaction. */
@Service
class RenderOrders {
  static final TaskDescriptor<Void> RENDER = TaskDescriptor.of("render");

  private final RenderingStore renderings;
  private final ObjectProvider<Scheduler> scheduler;

  RenderOrders(RenderingStore renderings, ObjectProvider<Scheduler> scheduler) {
    this.renderings = renderings;
    this.scheduler = scheduler;
  }

  /** Orders a cell anew; an order of it that is under way is overtaken. */
  @Transactional
  public void order(long clipId, String spec, String fingerprint, String fileName) {
    schedule(renderings.order(clipId, spec, fingerprint, fileName));
  }

  private void schedule(RenderingStore.Attempt attempt) {
    scheduler
        .getObject()
        .scheduleIfNotExists(
            RENDER.instance(attempt.id() + "-" + attempt.number()).scheduledTo(Instant.now()));
  }

  /** The attempt that a task is for; tasks of before attempts were counted name the row only. */
  static RenderingStore.Attempt attemptOf(String instance) {
    String[] parts = instance.split("-");
    return new RenderingStore.Attempt(
        Long.parseLong(parts[0]), parts.length > 1 ? Integer.parseInt(parts[1]) : 0);
  }

  /** Orders that nobody works on, whatever became of their task. */
  @Scheduled(initialDelay = 2_000, fixedDelay = 3_000)
  void takeUpWhatWaits() {
    renderings.underWay().forEach(this::schedule);
  }
}
