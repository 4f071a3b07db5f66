package paringknife.server.deliver;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Delivered;
import paringknife.server.clips.ClipStore;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.NotThere;

/** The queue of renderings of all episodes, over HTTP. */
@RestController
@RequestMapping("/api/queue")
class QueueController {
  private final QueueStore queue;
  private final RenderOrders orders;
  private final RenderingStore renderings;
  private final ClipStore clips;
  private final SpecStore specs;
  private final QueueRest rest;

  QueueController(
      QueueStore queue,
      RenderOrders orders,
      RenderingStore renderings,
      ClipStore clips,
      SpecStore specs,
      QueueRest rest) {
    this.queue = queue;
    this.orders = orders;
    this.renderings = renderings;
    this.clips = clips;
    this.specs = specs;
    this.rest = rest;
  }

  /**
   * All that is rendered or waits, in order, and what failed.
   *
   * @param finished what was finished last, the newest first
   * @param secondsLeft until all of it is done; null when not known, or nothing goes on
   */
  record Queue(
      boolean paused,
      List<QueueLine> lines,
      List<QueueLine> finished,
      @Nullable Long secondsLeft) {}

  /**
   * One rendering.
   *
   * @param spec what it is rendered for, by name
   * @param copies whether it comes to the same file as one before it, and waits for that
   * @param right whether nothing fails that was measured of the finished file
   * @param secondsLeft until it is done; null when not known
   */
  record QueueLine(
      long renderingId,
      long episodeId,
      String show,
      String episode,
      long clipId,
      String clip,
      String spec,
      RenderState state,
      boolean copies,
      boolean right,
      double progress,
      @Nullable Long secondsLeft,
      @Nullable String problem) {}

  @GetMapping
  Queue queue() {
    boolean paused = queue.isPaused();
    List<QueueStore.Order> orders = queue.orders();
    RestTimes left = rest.of(orders, paused);
    OrderNames names = new OrderNames(specs.all(), clips);
    List<QueueLine> lines = orders.stream().map(o -> line(o, names, left)).toList();
    return new Queue(
        paused,
        lines,
        queue.finished().stream().map(o -> line(o, names, RestTimes.NONE)).toList(),
        lines.stream()
            .map(QueueLine::secondsLeft)
            .filter(Objects::nonNull)
            .max(Long::compare)
            .orElse(null));
  }

  private static QueueLine line(QueueStore.Order order, OrderNames names, RestTimes left) {
    RenderingStore.Row row = order.row();
    Delivered clip = names.ofClip(row.clipId());
    return new QueueLine(
        row.id(),
        order.episodeId(),
        order.show(),
        order.episode(),
        row.clipId(),
        clip.title(),
        names.ofSpec(row.spec()),
        row.state(),
        left.copies(order),
        row.state() != RenderState.DONE || Check.pass(row.measuredFor(clip)),
        row.progress(),
        left.seconds(order.row()),
        row.problem());
  }

  /** Whether anything is to begin. */
  record Pause(boolean paused) {}

  /** What is being rendered ends; nothing more begins until the queue goes on. */
  @PostMapping("/pause")
  Queue pause(@RequestBody Pause asked) {
    orders.pause(asked.paused());
    return queue();
  }

  /**
   * Where a waiting rendering is to stand.
   *
   * @param before the one that it comes before; 0 for the end
   */
  record Move(long rendering, long before) {}

  @PostMapping("/move")
  Queue move(@RequestBody Move asked) {
    orders.move(asked.rendering(), asked.before());
    return queue();
  }

  /** A rendering that failed. */
  record Again(long rendering) {}

  /** Tries once more what failed. */
  @PostMapping("/again")
  Queue again(@RequestBody Again asked) {
    orders.again(
        renderings
            .byId(asked.rendering())
            .filter(r -> r.state() == RenderState.FAILED)
            .orElseThrow(() -> new NotThere("This has not failed, or was ordered again.")));
    return queue();
  }
}
