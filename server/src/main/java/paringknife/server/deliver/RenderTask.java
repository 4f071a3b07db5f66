package paringknife.server.deliver;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Composition;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.formats.TimedText;
import paringknife.core.proof.ProofCopy;
import paringknife.core.proof.ProofWord;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.process.Interrupted;
import paringknife.media.store.WholeFile;
import paringknife.server.clips.ClipStore;
import paringknife.server.cover.Covers;
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
  private final ClipStore clips;
  private final Episodes episodes;
  private final ClipRenderer renderer;
  private final Covers covers;
  private final DataFolder data;
  private final QueueStore queue;

  RenderTask(
      RenderingStore renderings,
      QueueStore queue,
      ClipStore clips,
      Episodes episodes,
      ClipRenderer renderer,
      Covers covers,
      DataFolder data) {
    this.renderings = renderings;
    this.clips = clips;
    this.episodes = episodes;
    this.renderer = renderer;
    this.covers = covers;
    this.data = data;
    this.queue = queue;
  }

  /** Thrown out of the renderer when its order has been cancelled or overtaken. */
  private static final class NotWanted extends RuntimeException {
    private static final long serialVersionUID = 1;
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
    Optional<Duration> wait = begin(row, fingerprint);
    if (wait.isPresent()) {
      return wait;
    }
    Path target =
        data.finished(
            row.clipId(),
            row.spec(),
            row.attempt(),
            composition.spec().encoding().codec().extension());
    Optional<Path> same = sameFile(row, fingerprint);
    if (same.isPresent()) {
      WholeFile.copy(same.get(), target);
      queue.reckon(row.present(), 0);
    } else {
      renderer.render(episode, composition, target, reporting(row));
    }
    List<Check> checks = renderer.checked(composition, target, Measurement.of(target));
    List<ProofWord> words =
        row.spec().equals(ProofCopy.ID)
            ? ProofWord.of(composition.playback(), episode.transcript())
            : List.of();
    finish(row, target, checks, composition.subtitles(), words);
    if (!row.spec().equals(ProofCopy.ID)) {
      makeCover(clip, episode, composition);
    }
    return Optional.empty();
  }

  /** Before somebody waits for it; where it does not succeed, it is made when it is asked for. */
  private void makeCover(ClipStore.StoredClip clip, Episode episode, Composition composition) {
    try {
      covers.picture(clip, episode, composition.spec(), clip.document().delivered().cover());
    } catch (Interrupted e) {
      throw e;
    } catch (RuntimeException e) {
      LOG.info("no cover was made of clip {}: {}", clip.id(), e.toString());
    }
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
    finish(row, target, List.of(), Map.of(), List.of());
    return Optional.empty();
  }

  /** Begins an attempt; answers after how long to ask again where another makes the same file. */
  private Optional<Duration> begin(RenderingStore.Row row, String fingerprint) {
    switch (renderings.begin(row.present(), fingerprint)) {
      case WAIT:
        return Optional.of(ASK_AGAIN);
      case OVERTAKEN:
        throw new NotWanted();
      default:
        data.keepRoom();
        return Optional.empty();
    }
  }

  private void finish(
      RenderingStore.Row row,
      Path target,
      List<Check> checks,
      Map<String, List<TimedText>> subtitles,
      List<ProofWord> words) {
    if (renderings.finish(row.present(), target, checks, subtitles, words)) {
      Integer before = row.finishedAttempt();
      if (before != null && before != row.attempt()) {
        row.finishedIn(data).ifPresent(WholeFile::remove);
      }
    } else {
      WholeFile.remove(target);
      throw new NotWanted();
    }
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

  private Optional<Path> sameFile(RenderingStore.Row row, String fingerprint) {
    return renderings
        .finishedAlike(fingerprint, row.id())
        .flatMap(r -> r.finishedIn(data))
        .filter(Files::exists);
  }
}
