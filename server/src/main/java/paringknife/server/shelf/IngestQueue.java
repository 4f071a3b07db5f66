package paringknife.server.shelf;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import paringknife.core.listen.SpeakersByMicrophone;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RecordingLineUp;
import paringknife.media.process.Interrupted;
import paringknife.media.speech.ForcedAligner;
import paringknife.media.speech.PocketSphinx;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.episodes.EpisodeIngest;
import paringknife.server.events.Throttle;
import paringknife.server.transcripts.Glossary;
import paringknife.server.transcripts.TranscriptStore;

/** Takes episodes in, in the background; a task that died with its process is taken up again. */
@Component
public class IngestQueue {
  static final TaskDescriptor<Void> INGEST = TaskDescriptor.of("ingest");

  /** Share of the work at which listening to the words begins, where that has to be done. */
  private static final double LISTENING_FROM = 0.6;

  private static final Logger LOG = LoggerFactory.getLogger(IngestQueue.class);

  private final ObjectProvider<Scheduler> scheduler;

  IngestQueue(ObjectProvider<Scheduler> scheduler) {
    this.scheduler = scheduler;
  }

  void schedule(long episodeId) {
    scheduler.getObject().scheduleIfNotExists(INGEST.instance(Long.toString(episodeId)).scheduledTo(Instant.now()));
  }

  /** Thrown out of the ingest of an episode that was put into the bin. */
  private static final class Binned extends RuntimeException {
    private static final long serialVersionUID = 1;
  }

  private static void report(long id, EpisodeStore store, double share) {
    if (store.byId(id).map(EpisodeStore.Row::binned).orElse(true)) {
      throw new Binned();
    }
    store.report(id, EpisodeState.ARRIVING, share, null);
  }

  @Configuration
  static class Definition {
    @Bean
    OneTimeTask<Void> ingestTask(EpisodeStore store, EpisodeSounds sounds, TranscriptStore transcripts, Glossary glossary, DataFolder data) {
      return Tasks.oneTime(INGEST)
          .onFailure(new FailureHandler.MaxRetriesFailureHandler<>(2, new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(5))))
          .execute((instance, context) -> ingest(Long.parseLong(instance.getId()), store, sounds, transcripts, glossary, data));
    }

    private static void ingest(long id, EpisodeStore store, EpisodeSounds sounds, TranscriptStore transcripts, Glossary glossary, DataFolder data) {
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
            share -> throttle.run(() -> report(id, store, share * (row.words() == 0 ? LISTENING_FROM : 0.95))));
        TranscriptStore.StoredTranscript given = transcripts.of(id).orElse(null);
        DoubleConsumer listening = share -> throttle.run(() -> report(id, store, LISTENING_FROM + share * (0.99 - LISTENING_FROM)));
        if (given == null) {
          transcripts.replace(id, glossary.apply(row.show(), recognised(id, sounds, folder, listening)), TranscriptFile.Timing.WORDS);
        }
        boolean untimed = given != null && given.timing() != TranscriptFile.Timing.WORDS;
        store.report(id, EpisodeState.READY, 1, untimed ? align(given, transcripts, folder, listening) : null);
      } catch (Binned e) {
        LOG.info("episode {} was put into the bin while it was being taken in", id);
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

    /**
     * Times a text against the sound; one that the sound does not say keeps the times it came with. A
     * text that is corrected meanwhile is timed again.
     *
     * @return what of it the producer should know; null when all of it was heard
     */
    private static @Nullable String align(
        TranscriptStore.StoredTranscript given, TranscriptStore transcripts, EpisodeFolder folder, DoubleConsumer progress) {
      long id = given.episodeId();
      TranscriptStore.StoredTranscript untimed = given;
      TextOnSound laid = new ForcedAligner().align(folder.sound(), untimed.transcript(), progress);
      while (laid.matched() >= ForcedAligner.LEAST_MATCH && !transcripts.retime(untimed, laid.transcript())) {
        untimed = transcripts.of(id).orElseThrow();
        laid = new ForcedAligner().align(folder.sound(), untimed.transcript(), progress);
      }
      if (laid.matched() < ForcedAligner.LEAST_MATCH) {
        return "The transcript does not say what is said in this recording, so its words have no times of their own.";
      }
      int unheard = laid.unmatched().size();
      int untold = laid.untold().size();
      if (unheard == 0 && untold == 0) {
        return null;
      }
      return String.format(
          "The transcript was timed against the sound. %s",
          unheard == 0
              ? untold + (untold == 1 ? " place has" : " places have") + " words that it does not tell."
              : unheard + (unheard == 1 ? " stretch" : " stretches") + " of it could not be heard and " + (unheard == 1 ? "is" : "are") + " marked doubtful.");
    }

    private static Transcript recognised(long id, EpisodeSounds sounds, EpisodeFolder folder, DoubleConsumer progress) {
      Transcript words = new PocketSphinx().recognise(folder.sound(), progress);
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
