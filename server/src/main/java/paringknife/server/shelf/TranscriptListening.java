package paringknife.server.shelf;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.DoubleConsumer;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import paringknife.core.listen.Placement;
import paringknife.core.listen.SpeakersByMicrophone;
import paringknife.core.transcript.CarriedOver;
import paringknife.core.transcript.Misfits;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.SoundOnClock;
import paringknife.media.speech.ForcedAligner;
import paringknife.media.speech.Recogniser;
import paringknife.media.speech.VoicesInFile;
import paringknife.media.store.ScratchFolder;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.transcripts.Glossary;
import paringknife.server.transcripts.TranscriptStore;
import paringknife.server.web.Outdated;

/** Listens to an episode for its words: recognises them, times a text, tells the speakers apart. */
@Component
class TranscriptListening {
  private final EpisodeStore episodes;
  private final EpisodeSounds sounds;
  private final TranscriptStore transcripts;
  private final Glossary glossary;

  TranscriptListening(
      EpisodeStore episodes, EpisodeSounds sounds, TranscriptStore transcripts, Glossary glossary) {
    this.episodes = episodes;
    this.sounds = sounds;
    this.transcripts = transcripts;
    this.glossary = glossary;
  }

  /** Whether an episode's words need listening. */
  boolean isNeeded(EpisodeStore.Row row) {
    TranscriptStore.StoredTranscript given = transcripts.of(row.id()).orElse(null);
    return row.wanted() != null || given == null || isUntimed(given);
  }

  private static boolean isUntimed(TranscriptStore.StoredTranscript given) {
    return given.timing() != TranscriptFile.Timing.WORDS && !given.transcript().words().isEmpty();
  }

  /**
   * Does what the episode needs or what was asked for.
   *
   * @return what the producer should know of it; null for nothing
   */
  @Nullable String listen(
      EpisodeStore.Row row, EpisodeStore.Work work, EpisodeFolder folder, DoubleConsumer progress) {
    try (ScratchFolder scratch = ScratchFolder.in(folder.root())) {
      Path sound = listenedSound(row, folder, scratch.path());
      TranscriptStore.StoredTranscript given = transcripts.of(row.id()).orElse(null);
      if (given == null) {
        Transcript fresh = glossary.apply(row.show(), recognised(row.id(), sound, progress));
        settle(work, () -> transcripts.replace(row.id(), fresh, TranscriptFile.Timing.WORDS));
        return null;
      }
      if (row.wanted() == WordsWork.RECOGNISE) {
        Transcript fresh = glossary.apply(row.show(), recognised(row.id(), sound, progress));
        change(work, "recognise anew", before -> CarriedOver.onto(before, fresh));
        transcripts.noteMisfits(row.id(), Misfits.NONE);
        return null;
      }
      if (row.wanted() == WordsWork.VOICES) {
        return voices(work, given.transcript(), sound);
      }
      return row.wanted() == WordsWork.TIME || isUntimed(given)
          ? align(work, given, sound, progress)
          : null;
    }
  }

  /** What work came to counts only while the work is wanted. */
  private void settle(EpisodeStore.Work work, Runnable result) {
    if (!episodes.ifWanted(work, result)) {
      throw new IngestProgress.Stopped();
    }
  }

  private void change(EpisodeStore.Work work, String name, UnaryOperator<Transcript> changed) {
    for (boolean done = false; !done; ) {
      TranscriptStore.StoredTranscript before = transcripts.of(work.episodeId()).orElseThrow();
      Transcript after = changed.apply(before.transcript());
      try {
        settle(work, () -> transcripts.change(before, name, after));
        done = true;
      } catch (Outdated e) {
        // Corrected meanwhile: done again on top of that.
        done = false;
      }
    }
  }

  private Path listenedSound(EpisodeStore.Row row, EpisodeFolder folder, Path scratch) {
    Integer chosen = row.listenedSound();
    if (chosen == null) {
      return folder.sound();
    }
    Recording recording = Probe.of(row.source());
    HeardSound wanted = new HeardSound(recording, Placement.SAME);
    for (EpisodeSounds.Sound separate : sounds.of(row.id())) {
      if (separate.position() == chosen) {
        wanted = new HeardSound(Probe.of(separate.source()), separate.placement());
      }
    }
    return SoundOnClock.write(wanted, recording.durationUs(), scratch.resolve("listened.flac"));
  }

  private Transcript recognised(long id, Path sound, DoubleConsumer progress) {
    Transcript words = Recogniser.installed().recognise(sound, progress);
    List<EpisodeSounds.Sound> named =
        sounds.of(id).stream().filter(s -> !s.speaker().isEmpty()).toList();
    return named.size() < 2
        ? VoicesInFile.propose(sound, words)
        : SpeakersByMicrophone.assign(
            words,
            named.stream()
                .map(
                    s ->
                        new SpeakersByMicrophone.Microphone(
                            Levels.of(s.source()), s.placement(), s.speaker()))
                .toList());
  }

  private @Nullable String voices(EpisodeStore.Work work, Transcript words, Path sound) {
    Transcript proposed = VoicesInFile.propose(sound, words);
    if (proposed.equals(words)) {
      return "Only one voice was heard, so nothing was changed.";
    }
    change(
        work,
        "find the speakers by voice",
        before -> before.equals(words) ? proposed : VoicesInFile.propose(sound, before));
    return String.format(
        Locale.ROOT,
        "%d voices were heard. Name them, and give what was heard wrongly to the right one.",
        proposed.speakers().size());
  }

  /**
   * Times a text against the sound; one that the sound does not say keeps the times it came with. A
   * text that is corrected meanwhile is timed again.
   */
  private @Nullable String align(
      EpisodeStore.Work work,
      TranscriptStore.StoredTranscript given,
      Path sound,
      DoubleConsumer progress) {
    long id = given.episodeId();
    TranscriptStore.StoredTranscript untimed = given;
    TextOnSound laid = new ForcedAligner().align(sound, untimed.transcript(), progress);
    while (laid.matched() >= ForcedAligner.LEAST_MATCH && !retimed(work, untimed, laid, sound)) {
      untimed = transcripts.of(id).orElseThrow();
      laid = new ForcedAligner().align(sound, untimed.transcript(), progress);
    }
    if (laid.matched() < ForcedAligner.LEAST_MATCH) {
      return "The transcript does not say what is said in this recording, so its words have no times of their own.";
    }
    Misfits misfits = Misfits.of(laid);
    transcripts.noteMisfits(id, misfits);
    if (misfits.isEmpty()) {
      return null;
    }
    return "The transcript was timed against the sound. "
        + counted(
            misfits.unheard().size(),
            "stretch of it was not heard",
            "stretches of it were not heard")
        + (misfits.unheard().isEmpty() || misfits.untold().isEmpty() ? "" : ", and ")
        + counted(
            misfits.untold().size(),
            "place has words that it does not tell",
            "places have words that it does not tell")
        + ".";
  }

  /** Whether a timed text took the place of the one that it was timed from. */
  private boolean retimed(
      EpisodeStore.Work work,
      TranscriptStore.StoredTranscript untimed,
      TextOnSound laid,
      Path sound) {
    Transcript timed = withSpeakers(laid.transcript(), sound);
    AtomicBoolean done = new AtomicBoolean();
    settle(work, () -> done.set(transcripts.retime(untimed, timed)));
    return done.get();
  }

  private static String counted(int count, String one, String several) {
    return count == 0 ? "" : count + " " + (count == 1 ? one : several);
  }

  private static Transcript withSpeakers(Transcript timed, Path sound) {
    return timed.speakers().isEmpty() ? VoicesInFile.propose(sound, timed) : timed;
  }
}
