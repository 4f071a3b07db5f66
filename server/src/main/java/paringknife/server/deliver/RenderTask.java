package paringknife.server.deliver;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Composition;
import paringknife.core.deliver.KeptPieces;
import paringknife.media.process.Interrupted;
import paringknife.media.store.WholeFile;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.events.Throttle;
import paringknife.server.shelf.Episodes;
import paringknife.server.work.WorkProblem;

/** Renders cells of the delivery sheet in the background. */
@Configuration
class RenderTask {
  private static final Logger LOG = LoggerFactory.getLogger(RenderTask.class);
  private static final Duration ASK_AGAIN = Duration.ofMillis(700);
  private static final Duration TRY_AGAIN = Duration.ofSeconds(3);

  private final RenderingStore renderings;
  private final Turns turns;
  private final ClipStore clips;
  private final Episodes episodes;
  private final ClipRenderer renderer;
  private final Companions companions;
  private final CellFinisher finisher;
  private final RenderOrders orders;
  private final DataFolder data;
  private final QueueStore queue;

  RenderTask(
      RenderingStore renderings,
      Turns turns,
      QueueStore queue,
      ClipStore clips,
      Episodes episodes,
      ClipRenderer renderer,
      Companions companions,
      CellFinisher finisher,
      RenderOrders orders,
      DataFolder data) {
    this.renderings = renderings;
    this.turns = turns;
    this.clips = clips;
    this.episodes = episodes;
    this.renderer = renderer;
    this.companions = companions;
    this.finisher = finisher;
    this.orders = orders;
    this.data = data;
    this.queue = queue;
  }

  @Bean
  Task<Void> rendering() {
    return Tasks.custom(RenderOrders.RENDER)
        .onFailure(new FailureHandler.OnFailureRetryLater<>(TRY_AGAIN))
        .execute((instance, context) -> after(work(RenderOrders.attemptOf(instance.getId()))));
  }

  private static CompletionHandler<Void> after(Optional<Duration> again) {
    return again
        .<CompletionHandler<Void>>map(
            wait -> (complete, task) -> task.reschedule(complete, Instant.now().plus(wait)))
        .orElseGet(CompletionHandler.OnCompleteRemove::new);
  }

  /** Works on an attempt; answers after how long to try again, empty when there is nothing more. */
  private Optional<Duration> work(RenderingStore.Attempt attempt) {
    RenderingStore.Row row =
        renderings.byId(attempt.id()).filter(r -> r.present().equals(attempt)).orElse(null);
    if (row == null || !row.state().isUnderWay()) {
      return Optional.empty();
    }
    if (queue.isPaused() && row.state() == RenderState.WAITING) {
      return Optional.empty();
    }
    if (row.isLed()) {
      if (orders.isInHand(row.ledBy())) {
        return Optional.of(ASK_AGAIN);
      }
      turns.letGo(row.present(), row.ledBy());
    }
    try {
      return render(row);
    } catch (NotWanted e) {
      LOG.info("rendering {} is not wanted any more", attempt);
      return Optional.empty();
    } catch (Interrupted e) {
      throw e;
    } catch (RuntimeException e) {
      LOG.warn("rendering {} failed", attempt, e);
      return afterProblem(attempt, WorkProblem.of(e, data.finishedFolder()));
    }
  }

  private Optional<Duration> afterProblem(RenderingStore.Attempt attempt, WorkProblem problem) {
    if (problem.isWaiting()) {
      renderings.waits(attempt, problem.message());
      return Optional.of(problem.pause());
    }
    if (problem.isTriedAgainAfter(renderings.countError(attempt))) {
      return Optional.of(problem.pause());
    }
    renderings.fail(attempt, problem.message());
    return Optional.empty();
  }

  private Optional<Duration> render(RenderingStore.Row row) {
    renderer.lookThroughFonts();
    ClipStore.StoredClip clip = clips.byId(row.clipId());
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip composed = episode.compose(clip.document());
    Optional<KeptPieces> pieces = KeptPieces.byId(row.spec());
    if (pieces.isPresent()) {
      return renderPieces(row, pieces.get(), clip, episode, composed);
    }
    Composition composition =
        composed.forSpec(ProofCopies.specOf(row.spec(), clip.document(), episode));
    String fingerprint = Fingerprint.of(Fingerprint.ofClip(episode, composed), composition);
    CellInHand cell = CellInHand.of(row, composition, data);
    Optional<Path> same = renderings.fileAlike(fingerprint, row.id(), data);
    if (same.isEmpty()) {
      return after(companions.render(cell, fingerprint, clip, episode, composed));
    }
    Optional<Duration> wait = begin(row, fingerprint);
    if (wait.isEmpty()) {
      WholeFile.copy(same.get(), cell.target());
      queue.reckon(row.present(), 0);
      finisher.finish(cell, clip, episode, share -> {});
    }
    return wait;
  }

  private Optional<Duration> renderPieces(
      RenderingStore.Row row,
      KeptPieces pieces,
      ClipStore.StoredClip clip,
      Episode episode,
      ComposedClip composed) {
    Optional<Duration> wait = begin(row, Fingerprint.ofPieces(episode, composed));
    if (wait.isPresent()) {
      return wait;
    }
    Path target = data.finished(row.clipId(), row.spec(), row.attempt(), pieces.extension());
    new PiecesRenderer(renderer).render(episode, clip.document(), pieces, target, reporting(row));
    finisher.finish(row, target);
    return Optional.empty();
  }

  /** Begins an attempt; answers after how long to ask again where another makes the same file. */
  private Optional<Duration> begin(RenderingStore.Row row, String fingerprint) {
    Optional<Duration> wait = after(turns.begin(row.present(), fingerprint));
    if (wait.isEmpty()) {
      data.keepRoom();
    }
    return wait;
  }

  private static Optional<Duration> after(Turns.Turn turn) {
    return switch (turn) {
      case WAIT -> Optional.of(ASK_AGAIN);
      case OVERTAKEN -> throw new NotWanted();
      case YOURS -> Optional.empty();
    };
  }

  private DoubleConsumer reporting(RenderingStore.Row row) {
    Throttle throttle = new Throttle();
    return share ->
        throttle.run(
            () -> {
              if (!renderings.progress(row.present(), share)) {
                throw new NotWanted();
              }
            });
  }
}
