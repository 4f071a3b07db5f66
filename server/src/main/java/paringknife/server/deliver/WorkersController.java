package paringknife.server.deliver;

import com.github.kagkarlsson.scheduler.ScheduledExecution;
import com.github.kagkarlsson.scheduler.ScheduledExecutionsFilter;
import com.github.kagkarlsson.scheduler.Scheduler;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.server.clips.ClipStore;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.specs.SpecStore;
import paringknife.server.workers.Workers;

/** Who takes a share of the work, and what each does, over HTTP. */
@RestController
@RequestMapping("/api/workers")
class WorkersController {
  private final Workers workers;
  private final ObjectProvider<Scheduler> scheduler;
  private final RenderingStore renderings;
  private final Turns turns;
  private final EpisodeStore episodes;
  private final ClipStore clips;
  private final SpecStore specs;
  private final String here;

  WorkersController(
      Workers workers,
      ObjectProvider<Scheduler> scheduler,
      RenderingStore renderings,
      Turns turns,
      EpisodeStore episodes,
      ClipStore clips,
      SpecStore specs,
      @Value("${db-scheduler.scheduler-name}") String here) {
    this.workers = workers;
    this.scheduler = scheduler;
    this.renderings = renderings;
    this.turns = turns;
    this.episodes = episodes;
    this.clips = clips;
    this.specs = specs;
    this.here = here;
  }

  /**
   * One that takes a share.
   *
   * @param name machine and process
   * @param here whether it is the one that answers
   * @param serves whether it serves pages
   * @param hands how many tasks it does at a time
   * @param heardOf whether it has given a sign of late
   * @param silentSeconds since its last sign
   */
  record WorkerShown(
      String name,
      boolean here,
      boolean serves,
      int hands,
      boolean heardOf,
      long silentSeconds,
      List<WorkShown> does) {}

  /**
   * What it has in hand.
   *
   * @param taken whether a recording is taken in; else something is rendered
   * @param progress 0 to 1
   */
  record WorkShown(boolean taken, String what, double progress) {}

  @GetMapping
  List<WorkerShown> all() {
    OrderNames names = new OrderNames(specs.all(), clips);
    Map<String, List<WorkShown>> inHand =
        taken().stream()
            .collect(
                Collectors.groupingBy(
                    ScheduledExecution::getPickedBy,
                    Collectors.flatMapping(t -> shown(t, names), Collectors.toList())));
    return workers.all().stream()
        .map(
            w ->
                new WorkerShown(
                    w.name(),
                    w.name().equals(here),
                    w.serves(),
                    w.hands(),
                    w.isHeardOf(),
                    Math.max(0, Duration.between(w.seenAt(), Instant.now()).toSeconds()),
                    inHand.getOrDefault(w.name(), List.of())))
        .toList();
  }

  private List<ScheduledExecution<Object>> taken() {
    List<ScheduledExecution<Object>> taken = new ArrayList<>();
    scheduler
        .getObject()
        .fetchScheduledExecutions(
            ScheduledExecutionsFilter.all().withPicked(true),
            t -> {
              if (t.getPickedBy() != null) {
                taken.add(t);
              }
            });
    return taken;
  }

  /** A task that renders may have several files in hand, of which each has a task of its own. */
  private Stream<WorkShown> shown(ScheduledExecution<Object> taken, OrderNames names) {
    String task = taken.getTaskInstance().getId();
    long id = RenderOrders.attemptOf(task).id();
    if (!taken.getTaskInstance().getTaskName().equals(RenderOrders.RENDER.getTaskName())) {
      return episodes.byId(id).stream().map(e -> new WorkShown(true, e.title(), e.progress()));
    }
    return Stream.concat(
            renderings.byId(id).filter(r -> !r.isLed()).stream(), turns.ledBy(task).stream())
        .map(r -> rendered(r, names));
  }

  private static WorkShown rendered(RenderingStore.Row row, OrderNames names) {
    return new WorkShown(
        false,
        names.ofClip(row.clipId()).title() + ", " + names.ofSpec(row.spec()),
        row.progress());
  }
}
