package paringknife.server.deliver;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.ExecutionContext;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.Composition;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.pare.ClipDocument;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.process.Interrupted;
import paringknife.media.store.WholeFile;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.FinishedChecks;
import paringknife.server.events.Throttle;
import paringknife.server.shelf.Episodes;

/** Renders cells of the delivery sheet in the background, one after the other. */
@Component
public class RenderQueue {
  static final TaskDescriptor<Void> RENDER = TaskDescriptor.of("render");

  private static final Logger LOG = LoggerFactory.getLogger(RenderQueue.class);

  private final ObjectProvider<Scheduler> scheduler;

  RenderQueue(ObjectProvider<Scheduler> scheduler) {
    this.scheduler = scheduler;
  }

  void schedule(long renderingId) {
    scheduler
        .getObject()
        .scheduleIfNotExists(
            RENDER.instance(Long.toString(renderingId)).scheduledTo(Instant.now()));
  }

  /** Thrown out of the renderer when the producer has cancelled. */
  private static final class Cancelled extends RuntimeException {
    private static final long serialVersionUID = 1;
  }

  @Configuration
  static class Definition {
    private final RenderingStore renderings;
    private final ClipStore clips;
    private final Episodes episodes;
    private final ClipRenderer renderer;
    private final DataFolder data;

    Definition(
        RenderingStore renderings,
        ClipStore clips,
        Episodes episodes,
        ClipRenderer renderer,
        DataFolder data) {
      this.renderings = renderings;
      this.clips = clips;
      this.episodes = episodes;
      this.renderer = renderer;
      this.data = data;
    }

    @Bean
    OneTimeTask<Void> renderTask() {
      return Tasks.oneTime(RENDER)
          .onFailure(
              new FailureHandler.MaxRetriesFailureHandler<>(
                  2, new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(3))))
          .execute(this::render);
    }

    private void render(TaskInstance<Void> instance, ExecutionContext context) {
      long id = Long.parseLong(instance.getId());
      RenderingStore.Row row = renderings.byId(id).orElse(null);
      if (row == null || row.state() == RenderState.CANCELLED || row.state() == RenderState.DONE) {
        return;
      }
      try {
        render(row);
      } catch (Cancelled e) {
        LOG.info("rendering {} was cancelled", id);
      } catch (Interrupted e) {
        throw e;
      } catch (RuntimeException e) {
        LOG.warn("rendering {} failed", id, e);
        renderings.fail(id, String.valueOf(e.getMessage()));
      }
    }

    private void render(RenderingStore.Row row) {
      ClipStore.StoredClip clip = clips.byId(row.clipId());
      Episode episode = episodes.open(clip.episodeId());
      Optional<KeptPieces> pieces = KeptPieces.byId(row.spec());
      if (pieces.isPresent()) {
        render(row, episode, clip.document(), pieces.get());
        return;
      }
      Composition composition =
          ClipRenderer.compose(episode, clip.document(), DeliverySpecs.byId(row.spec()));
      Path target = data.finished(row.clipId(), row.spec());
      renderings.begin(row.id());
      Optional<Path> same = sameFile(row, Fingerprint.of(episode, composition));
      if (same.isPresent()) {
        WholeFile.copy(same.get(), target);
      } else {
        Throttle throttle = new Throttle();
        renderer.render(
            episode, composition, target, share -> throttle.run(() -> report(row.id(), share)));
      }
      renderings.finish(
          row.id(),
          target.toFile().length(),
          FinishedChecks.of(Measurement.of(target), composition));
    }

    private void render(
        RenderingStore.Row row, Episode episode, ClipDocument clip, KeptPieces pieces) {
      Path target = data.finished(row.clipId(), row.spec());
      renderings.begin(row.id());
      Throttle throttle = new Throttle();
      new PiecesRenderer(renderer)
          .render(
              episode, clip, pieces, target, share -> throttle.run(() -> report(row.id(), share)));
      renderings.finish(row.id(), target.toFile().length(), List.of());
    }

    private void report(long id, double share) {
      if (renderings.byId(id).map(r -> r.state() == RenderState.CANCELLED).orElse(true)) {
        throw new Cancelled();
      }
      renderings.progress(id, share);
    }

    private Optional<Path> sameFile(RenderingStore.Row row, String fingerprint) {
      return renderings.all().stream()
          .filter(
              r ->
                  r.id() != row.id()
                      && r.state() == RenderState.DONE
                      && r.fingerprint().equals(fingerprint))
          .map(r -> data.finished(r.clipId(), r.spec()))
          .filter(Files::exists)
          .findFirst();
    }
  }
}
