package paringknife.server.shelf;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RecordingLineUp;
import paringknife.media.process.Interrupted;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.episodes.EpisodeIngest;
import paringknife.server.work.WorkProblem;

/** Takes episodes in and listens for their words, in the background. */
@Configuration
class IngestTask {
  private static final Logger LOG = LoggerFactory.getLogger(IngestTask.class);
  private static final Duration TRY_AGAIN = Duration.ofSeconds(5);

  private final EpisodeStore store;
  private final EpisodeSounds sounds;
  private final TranscriptListening listening;
  private final DataFolder data;

  IngestTask(
      EpisodeStore store, EpisodeSounds sounds, TranscriptListening listening, DataFolder data) {
    this.store = store;
    this.sounds = sounds;
    this.listening = listening;
    this.data = data;
  }

  @Bean
  Task<Void> takingIn() {
    return Tasks.custom(IngestQueue.INGEST)
        .onFailure(new FailureHandler.OnFailureRetryLater<>(TRY_AGAIN))
        .execute((instance, context) -> after(work(IngestQueue.workOf(instance.getId()))));
  }

  private static CompletionHandler<Void> after(Optional<Duration> again) {
    return again
        .<CompletionHandler<Void>>map(
            wait -> (complete, task) -> task.reschedule(complete, Instant.now().plus(wait)))
        .orElseGet(CompletionHandler.OnCompleteRemove::new);
  }

  /** Does work; answers after how long to try again, empty when there is nothing more to do. */
  private Optional<Duration> work(EpisodeStore.Work work) {
    EpisodeStore.Row row = store.byId(work.episodeId()).orElse(null);
    if (row == null || row.work() != work.number() || row.state() != EpisodeState.ARRIVING) {
      return Optional.empty();
    }
    try {
      data.keepRoom();
      takeIn(row, work);
    } catch (IngestProgress.Stopped e) {
      LOG.info("{} is not wanted any more", work);
    } catch (Interrupted e) {
      throw e;
    } catch (RuntimeException e) {
      LOG.warn("{} failed", work, e);
      return afterProblem(work, WorkProblem.of(e, data.root()));
    }
    return Optional.empty();
  }

  private Optional<Duration> afterProblem(EpisodeStore.Work work, WorkProblem problem) {
    if (problem.isWaiting()) {
      store.waits(work, problem.message());
      return Optional.of(problem.pause());
    }
    if (problem.isTriedAgainAfter(store.countError(work))) {
      return Optional.of(problem.pause());
    }
    store.fail(work, problem.message());
    return Optional.empty();
  }

  private void takeIn(EpisodeStore.Row row, EpisodeStore.Work work) {
    EpisodeFolder folder = data.episode(row.id());
    boolean withWords = listening.isNeeded(row);
    IngestProgress progress = new IngestProgress(work, store, steps(row, folder, withWords));
    if (!folder.isComplete()) {
      Recording recording = Probe.of(row.source());
      List<HeardSound> heard = heard(row.id(), recording, folder, progress);
      EpisodeIngest.run(
          recording, filming(row.id()), heard, folder, progress.of(IngestStep.PICTURE_AND_SOUND));
    }
    store.arrived(
        work,
        withWords ? listening.listen(row, work, folder, progress.of(IngestStep.WORDS)) : null);
  }

  private EnumSet<IngestStep> steps(EpisodeStore.Row row, EpisodeFolder folder, boolean withWords) {
    if (folder.isComplete()) {
      return EnumSet.of(IngestStep.WORDS);
    }
    EnumSet<IngestStep> steps = EnumSet.allOf(IngestStep.class);
    if (!withWords) {
      steps.remove(IngestStep.WORDS);
    }
    if (sounds.of(row.id()).stream().noneMatch(s -> s.placed() == null)) {
      steps.remove(IngestStep.LINING_UP);
    }
    return steps;
  }

  /** What is heard: the microphones, lined up when that has not been done before. */
  private List<HeardSound> heard(
      long id, Recording recording, EpisodeFolder folder, IngestProgress progress) {
    List<EpisodeSounds.Sound> all = sounds.of(id);
    List<EpisodeSounds.Sound> unplaced = all.stream().filter(s -> s.placed() == null).toList();
    if (!unplaced.isEmpty()) {
      progress.of(IngestStep.LINING_UP);
      folder.create();
      List<Recording> others = unplaced.stream().map(s -> Probe.of(s.source())).toList();
      List<HeardSound> placed = RecordingLineUp.of(recording, others, folder.root());
      for (int i = 0; i < unplaced.size(); i++) {
        sounds.place(id, unplaced.get(i).position(), placed.get(i).placement());
      }
    }
    return sounds.of(id).stream()
        .filter(EpisodeSounds.Sound::heard)
        .map(s -> new HeardSound(Probe.of(s.source()), s.placement()))
        .toList();
  }

  /** The separate recordings that have a picture, whether they are heard or not. */
  private List<HeardSound> filming(long id) {
    return sounds.of(id).stream()
        .map(s -> new HeardSound(Probe.of(s.source()), s.placement()))
        .filter(s -> s.recording().picture() != null)
        .toList();
  }
}
