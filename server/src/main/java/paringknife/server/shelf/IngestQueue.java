package paringknife.server.shelf;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.Priority;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Instant;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Work on episodes that is asked for; a task that died with its process is taken up again. */
@Component
class IngestQueue {
  static final TaskDescriptor<Void> INGEST = TaskDescriptor.of("ingest");

  private final ObjectProvider<Scheduler> scheduler;
  private final EpisodeStore store;

  IngestQueue(ObjectProvider<Scheduler> scheduler, EpisodeStore store) {
    this.scheduler = scheduler;
    this.store = store;
  }

  /** Work that nobody does, whatever became of its task. */
  @Scheduled(initialDelay = 5_000, fixedDelay = 3_000)
  void takeUpWhatWaits() {
    store.underWay().forEach(this::schedule);
  }

  void schedule(EpisodeStore.Work work) {
    scheduler
        .getObject()
        .scheduleIfNotExists(
            INGEST
                .instance(work.episodeId() + "-" + work.number())
                .priority(Priority.HIGH)
                .scheduledTo(Instant.now()));
  }

  /** The work that a task is for; tasks of before work was counted name the episode only. */
  static EpisodeStore.Work workOf(String instance) {
    String[] parts = instance.split("-");
    return new EpisodeStore.Work(
        Long.parseLong(parts[0]), parts.length > 1 ? Integer.parseInt(parts[1]) : 1);
  }
}
