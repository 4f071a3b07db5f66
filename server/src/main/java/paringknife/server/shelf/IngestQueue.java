package paringknife.server.shelf;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.process.Interrupted;
import paringknife.media.speech.PocketSphinx;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.episodes.EpisodeIngest;
import paringknife.server.events.Throttle;

/** Takes episodes in, in the background; a task that died with its process is taken up again. */
@Component
public class IngestQueue {
  static final TaskDescriptor<Void> INGEST = TaskDescriptor.of("ingest");

  private static final Logger LOG = LoggerFactory.getLogger(IngestQueue.class);

  private final ObjectProvider<Scheduler> scheduler;

  IngestQueue(ObjectProvider<Scheduler> scheduler) {
    this.scheduler = scheduler;
  }

  void schedule(long episodeId) {
    scheduler.getObject().scheduleIfNotExists(INGEST.instance(Long.toString(episodeId)).scheduledTo(Instant.now()));
  }

  @Configuration
  static class Definition {
    @Bean
    OneTimeTask<Void> ingestTask(EpisodeStore store, DataFolder data) {
      return Tasks.oneTime(INGEST)
          .onFailure(new FailureHandler.MaxRetriesFailureHandler<>(2, new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(5))))
          .execute((instance, context) -> ingest(Long.parseLong(instance.getId()), store, data));
    }

    private static void ingest(long id, EpisodeStore store, DataFolder data) {
      EpisodeStore.Row row = store.byId(id).orElse(null);
      if (row == null) {
        return;
      }
      try {
        Recording recording = Probe.of(row.source());
        EpisodeFolder folder = data.episode(id);
        Throttle throttle = new Throttle();
        EpisodeIngest.run(
            recording,
            folder,
            share -> throttle.run(() -> store.report(id, EpisodeState.ARRIVING, share * 0.99, null)));
        if (row.words() == 0) {
          store.report(id, EpisodeState.ARRIVING, 0.99, null);
          Transcript recognised = new PocketSphinx().recognise(folder.sound());
          store.saveTranscript(id, 1, recognised);
        }
        store.report(id, EpisodeState.READY, 1, null);
      } catch (Interrupted e) {
        throw e;
      } catch (RuntimeException e) {
        LOG.warn("episode {} could not be taken in", id, e);
        store.report(id, EpisodeState.FAILED, 0, e.getMessage());
      }
    }
  }
}
