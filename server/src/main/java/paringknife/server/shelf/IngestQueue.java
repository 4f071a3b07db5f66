package paringknife.server.shelf;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RecordingLineUp;
import paringknife.media.process.Interrupted;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.episodes.EpisodeIngest;

/** Takes episodes in, in the background; a task that died with its process is taken up again. */
@Component
public class IngestQueue {
  static final TaskDescriptor<Void> INGEST = TaskDescriptor.of("ingest");

  private static final Logger LOG = LoggerFactory.getLogger(IngestQueue.class);

  private final ObjectProvider<Scheduler> scheduler;

  private final EpisodeStore store;

  IngestQueue(ObjectProvider<Scheduler> scheduler, EpisodeStore store) {
    this.scheduler = scheduler;
    this.store = store;
  }

  /** Work that was asked for while a stopped run of it was still ending. */
  @Scheduled(initialDelay = 5_000, fixedDelay = 3_000)
  void takeUpWhatWaits() {
    for (EpisodeStore.Row row : store.all()) {
      if (row.state() == EpisodeState.ARRIVING && !row.binned()) {
        schedule(row.id());
      }
    }
  }

  void schedule(long episodeId) {
    scheduler
        .getObject()
        .scheduleIfNotExists(INGEST.instance(Long.toString(episodeId)).scheduledTo(Instant.now()));
  }

  @Configuration
  static class Definition {
    @Bean
    OneTimeTask<Void> ingestTask(
        EpisodeStore store, EpisodeSounds sounds, TranscriptListening listening, DataFolder data) {
      return Tasks.oneTime(INGEST)
          .onFailure(
              new FailureHandler.MaxRetriesFailureHandler<>(
                  2, new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(5))))
          .execute(
              (instance, context) ->
                  ingest(Long.parseLong(instance.getId()), store, sounds, listening, data));
    }

    private static void ingest(
        long id,
        EpisodeStore store,
        EpisodeSounds sounds,
        TranscriptListening listening,
        DataFolder data) {
      EpisodeStore.Row row = store.byId(id).orElse(null);
      if (row == null || row.state() != EpisodeState.ARRIVING) {
        return;
      }
      try {
        EpisodeFolder folder = data.episode(id);
        boolean withWords = listening.isNeeded(row);
        EnumSet<IngestStep> steps = EnumSet.allOf(IngestStep.class);
        if (folder.isComplete()) {
          steps = EnumSet.of(IngestStep.WORDS);
        } else if (!withWords) {
          steps.remove(IngestStep.WORDS);
        }
        if (sounds.of(id).stream().noneMatch(s -> s.placed() == null)) {
          steps.remove(IngestStep.LINING_UP);
        }
        IngestProgress progress = new IngestProgress(id, store, steps);
        if (!folder.isComplete()) {
          Recording recording = Probe.of(row.source());
          List<HeardSound> heard = heard(id, recording, sounds, folder, progress);
          EpisodeIngest.run(recording, heard, folder, progress.of(IngestStep.PICTURE_AND_SOUND));
        }
        store.arrived(
            id, withWords ? listening.listen(row, folder, progress.of(IngestStep.WORDS)) : null);
      } catch (IngestProgress.Stopped e) {
        LOG.info("episode {} was stopped or put into the bin while it was being taken in", id);
      } catch (Interrupted e) {
        throw e;
      } catch (RuntimeException e) {
        LOG.warn("episode {} could not be taken in", id, e);
        store.report(id, EpisodeState.FAILED, 0, e.getMessage());
      }
    }

    /** What is heard: the microphones, lined up when that has not been done before. */
    private static List<HeardSound> heard(
        long id,
        Recording recording,
        EpisodeSounds sounds,
        EpisodeFolder folder,
        IngestProgress progress) {
      List<EpisodeSounds.Sound> all = sounds.of(id);
      if (all.isEmpty()) {
        return List.of();
      }
      List<EpisodeSounds.Sound> unplaced = all.stream().filter(s -> s.placed() == null).toList();
      if (!unplaced.isEmpty()) {
        progress.of(IngestStep.LINING_UP);
        folder.create();
        List<HeardSound> placed =
            RecordingLineUp.of(
                recording,
                unplaced.stream().map(s -> Probe.of(s.source())).toList(),
                folder.root());
        for (int i = 0; i < unplaced.size(); i++) {
          sounds.place(id, unplaced.get(i).position(), placed.get(i).placement());
        }
      }
      return sounds.of(id).stream()
          .filter(EpisodeSounds.Sound::heard)
          .map(s -> new HeardSound(Probe.of(s.source()), s.placement()))
          .toList();
    }
  }
}
