package paringknife.server.shelf;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import paringknife.core.listen.SpeakersByMicrophone;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RecordingLineUp;
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
    OneTimeTask<Void> ingestTask(EpisodeStore store, EpisodeSounds sounds, DataFolder data) {
      return Tasks.oneTime(INGEST)
          .onFailure(new FailureHandler.MaxRetriesFailureHandler<>(2, new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(5))))
          .execute((instance, context) -> ingest(Long.parseLong(instance.getId()), store, sounds, data));
    }

    private static void ingest(long id, EpisodeStore store, EpisodeSounds sounds, DataFolder data) {
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
            heard(id, recording, sounds, folder),
            folder,
            share -> throttle.run(() -> store.report(id, EpisodeState.ARRIVING, share * 0.99, null)));
        if (row.words() == 0) {
          store.report(id, EpisodeState.ARRIVING, 0.99, null);
          store.saveTranscript(id, 1, recognised(id, sounds, folder));
        }
        store.report(id, EpisodeState.READY, 1, null);
      } catch (Interrupted e) {
        throw e;
      } catch (RuntimeException e) {
        LOG.warn("episode {} could not be taken in", id, e);
        store.report(id, EpisodeState.FAILED, 0, e.getMessage());
      }
    }

    /** What is heard: the microphones, lined up when that has not been done before. */
    private static List<HeardSound> heard(long id, Recording recording, EpisodeSounds sounds, EpisodeFolder folder) {
      List<EpisodeSounds.Sound> all = sounds.of(id);
      if (all.isEmpty() || folder.isComplete()) {
        return List.of();
      }
      List<EpisodeSounds.Sound> unplaced = all.stream().filter(s -> s.placed() == null).toList();
      if (!unplaced.isEmpty()) {
        folder.create();
        List<HeardSound> placed =
            RecordingLineUp.of(recording, unplaced.stream().map(s -> Probe.of(s.source())).toList(), folder.root());
        for (int i = 0; i < unplaced.size(); i++) {
          sounds.place(id, unplaced.get(i).position(), placed.get(i).placement());
        }
      }
      return sounds.of(id).stream()
          .filter(EpisodeSounds.Sound::heard)
          .map(s -> new HeardSound(Probe.of(s.source()), s.placement()))
          .toList();
    }

    private static Transcript recognised(long id, EpisodeSounds sounds, EpisodeFolder folder) {
      Transcript words = new PocketSphinx().recognise(folder.sound(), share -> {});
      List<EpisodeSounds.Sound> named = sounds.of(id).stream().filter(s -> !s.speaker().isEmpty()).toList();
      return named.size() < 2
          ? words
          : SpeakersByMicrophone.assign(
              words,
              named.stream()
                  .map(s -> new SpeakersByMicrophone.Microphone(Levels.of(s.source()), s.placement(), s.speaker()))
                  .toList());
    }
  }
}
