package paringknife.server.deliver;

import com.github.kagkarlsson.scheduler.ScheduledExecution;
import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient.ScheduleOptions;
import com.github.kagkarlsson.scheduler.exceptions.ExecutionException;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceCurrentlyExecutingException;
import com.github.kagkarlsson.scheduler.task.SchedulableInstance;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Takes orders of the renderer: the row and the task that works on it come in one transaction. What
 * a person asked for last comes first; a task is due at its order's place, so that they are begun
 * in that order.
 */
@Service
class RenderOrders {
  static final TaskDescriptor<Void> RENDER = TaskDescriptor.of("render");

  private static final long NO_ROW = 0;

  private final RenderingStore renderings;
  private final QueueStore queue;
  private final ObjectProvider<Scheduler> scheduler;

  RenderOrders(RenderingStore renderings, QueueStore queue, ObjectProvider<Scheduler> scheduler) {
    this.renderings = renderings;
    this.queue = queue;
    this.scheduler = scheduler;
  }

  /**
   * A cell that is to be rendered.
   *
   * @param work seconds of film times millions of pixels
   */
  record Wanted(long clipId, String spec, String fingerprint, String fileName, double work) {}

  /** Orders cells anew, before all that waits; orders of them that are under way are overtaken. */
  @Transactional
  public void order(List<Wanted> cells) {
    long place = queue.before(cells.size());
    for (Wanted cell : cells) {
      boolean isThere = renderings.finishedAlike(cell.fingerprint(), NO_ROW).isPresent();
      RenderingStore.Attempt attempt =
          renderings.order(cell.clipId(), cell.spec(), cell.fingerprint(), cell.fileName());
      queue.reckon(attempt, isThere ? 0 : cell.work());
      take(new QueueStore.Placed(attempt, place));
      place += QueueStore.APART_US;
    }
  }

  /** Orders once more what failed; there is as much to do as before. */
  @Transactional
  public void again(RenderingStore.Row row) {
    RenderingStore.Attempt attempt =
        renderings.order(row.clipId(), row.spec(), row.fingerprint(), row.fileName());
    take(new QueueStore.Placed(attempt, queue.before(1)));
  }

  private void take(QueueStore.Placed order) {
    queue.put(order);
    scheduler.getObject().scheduleIfNotExists(due(order));
  }

  private static SchedulableInstance<Void> due(QueueStore.Placed order) {
    RenderingStore.Attempt attempt = order.attempt();
    long place = order.placeUs();
    Instant at = place > 0 ? Instant.EPOCH.plus(place, ChronoUnit.MICROS) : Instant.now();
    return RENDER.instance(taskOf(attempt)).scheduledTo(at);
  }

  /**
   * Moves a waiting order.
   *
   * @param before the waiting one that it is to come before; 0 for the end
   */
  @Transactional
  public void move(long rendering, long before) {
    List<RenderingStore.Attempt> waiting =
        new ArrayList<>(
            queue.orders().stream()
                .filter(o -> o.row().state() == RenderState.WAITING)
                .map(o -> o.row().present())
                .toList());
    int from = placeOf(rendering, waiting);
    if (from == waiting.size() || rendering == before) {
      return;
    }
    RenderingStore.Attempt moved = waiting.remove(from);
    waiting.add(placeOf(before, waiting), moved);
    queue.arrange(waiting).forEach(this::reschedule);
  }

  /** Behind the last where there is no such rendering. */
  private static int placeOf(long rendering, List<RenderingStore.Attempt> waiting) {
    int at = 0;
    while (at < waiting.size() && waiting.get(at).id() != rendering) {
      at++;
    }
    return at;
  }

  private void reschedule(QueueStore.Placed order) {
    try {
      scheduler.getObject().schedule(due(order), ScheduleOptions.WHEN_EXISTS_RESCHEDULE);
    } catch (TaskInstanceCurrentlyExecutingException | ExecutionException taken) {
      // Somebody took it in hand just now, and it comes first anyway, or found the queue paused and
      // let go of it, and it is taken up again where it stands.
      return;
    }
  }

  /** Lets nothing more begin, or goes on. */
  public void pause(boolean paused) {
    queue.pause(paused);
    takeUpWhatWaits();
  }

  /** Whether somebody has a task in hand, as far as is known. */
  boolean isInHand(String instance) {
    return scheduler
        .getObject()
        .getScheduledExecution(RENDER.instanceId(instance))
        .filter(ScheduledExecution::isPicked)
        .isPresent();
  }

  /** What the task of an attempt is called. */
  static String taskOf(RenderingStore.Attempt attempt) {
    return attempt.id() + "-" + attempt.number();
  }

  /** The attempt that a task is for; tasks of before attempts were counted name the row only. */
  static RenderingStore.Attempt attemptOf(String instance) {
    String[] parts = instance.split("-");
    return new RenderingStore.Attempt(
        Long.parseLong(parts[0]), parts.length > 1 ? Integer.parseInt(parts[1]) : 0);
  }

  /**
   * Orders that nobody works on, whatever became of their task; the first comes first, so that
   * whoever looks in between begins in order.
   */
  @Scheduled(initialDelay = 2_000, fixedDelay = 3_000)
  void takeUpWhatWaits() {
    if (queue.isPaused()) {
      return;
    }
    queue.underWay().forEach(order -> scheduler.getObject().scheduleIfNotExists(due(order)));
  }
}
