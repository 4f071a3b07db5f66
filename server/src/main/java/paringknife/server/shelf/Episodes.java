package paringknife.server.shelf;

import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import paringknife.core.formats.PlainText;
import paringknife.core.pare.FillerList;
import paringknife.core.transcript.CarriedOver;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.database.Recent;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.EpisodeSource;
import paringknife.server.transcripts.FillerLists;
import paringknife.server.transcripts.Glossary;
import paringknife.server.transcripts.TranscriptStore;
import paringknife.server.web.NotThere;
import paringknife.server.web.NotYet;

/** Opens episodes and keeps the opened ones in memory, as long as their transcript is the same. */
@Service
public class Episodes {
  private final EpisodeStore store;
  private final DataFolder data;
  private final IngestQueue ingest;
  private final EpisodeSounds sounds;
  private final TranscriptStore transcripts;
  private final Glossary glossary;
  private final FillerLists fillers;
  private final Recent<Opened> opened = new Recent<>(8);

  /** A new episode, and what had to be put right in its transcript. */
  public record Added(long id, List<String> mended) {}

  private record Opened(int revision, Episode episode) {}

  Episodes(
      EpisodeStore store,
      DataFolder data,
      IngestQueue ingest,
      EpisodeSounds sounds,
      TranscriptStore transcripts,
      Glossary glossary,
      FillerLists fillers) {
    this.fillers = fillers;
    this.store = store;
    this.data = data;
    this.ingest = ingest;
    this.sounds = sounds;
    this.transcripts = transcripts;
    this.glossary = glossary;
  }

  /**
   * Puts an episode on the shelf and starts its ingest.
   *
   * @throws UnusableRecording or UnreadableTranscript with a message for the user
   */
  public Added add(EpisodeSource source) {
    Path transcript = source.transcript();
    return add(source, transcript == null ? null : TranscriptFile.read(transcript));
  }

  /**
   * Puts an episode on the shelf with words that did not come as a file of it.
   *
   * @param words null to have them recognised
   */
  public Added add(EpisodeSource source, TranscriptFile.@Nullable Imported words) {
    refuseTwice(source.camera().toAbsolutePath());
    Recording probed = Probe.of(source.camera());
    if (!probed.hasSound()) {
      throw new UnusableRecording(
          source.camera().getFileName()
              + (source.microphones().isEmpty()
                  ? " has no sound, so there is nothing to read or pare."
                  : " has no sound, so the microphones cannot be lined up with it."));
    }
    for (EpisodeSource.Microphone microphone : source.microphones()) {
      if (!Probe.of(microphone.file()).hasSound()) {
        throw new UnusableRecording(microphone.file().getFileName() + " has no sound.");
      }
    }
    long id =
        store.add(
            source.show(), source.title(), source.camera().toAbsolutePath(), probed.durationUs());
    if (words != null) {
      Transcript text =
          words.timing() == TranscriptFile.Timing.NOTHING
              ? PlainText.spread(words.transcript(), probed.durationUs())
              : words.transcript();
      transcripts.replace(id, glossary.apply(source.show(), text), words.timing());
    }
    sounds.add(id, source.microphones());
    ingest.schedule(id);
    return new Added(id, words == null ? List.of() : words.mended());
  }

  private void refuseTwice(Path recording) {
    EpisodeStore.Row there = store.bySource(recording).flatMap(store::byId).orElse(null);
    if (there == null) {
      return;
    }
    String where =
        there.binned()
            ? " is an episode in the bin; take it out instead: "
            : " is on the shelf already: ";
    throw new IllegalArgumentException(recording.getFileName() + where + there.title() + ".");
  }

  /** The transcript, whether or not the episode has been taken in. */
  public TranscriptStore.StoredTranscript transcript(long id) {
    return transcripts
        .of(id)
        .orElseThrow(() -> new NotThere("This episode has no transcript yet."));
  }

  /** Takes up again what failed or was stopped. */
  public void tryAgain(long id) {
    EpisodeStore.Row row = row(id);
    if (row.state() != EpisodeState.FAILED && row.state() != EpisodeState.STOPPED) {
      throw new IllegalArgumentException("This episode has neither failed nor been stopped.");
    }
    store.want(id, row.wanted());
    ingest.schedule(id);
  }

  /**
   * Stops what is being done to an episode; what is whole by then stays. Work that was asked for on
   * the words of a whole episode is let go of, and the episode is as it was before.
   */
  public void stop(long id) {
    EpisodeStore.Row row = row(id);
    if (row.state() == EpisodeState.ARRIVING && row.wanted() != null && isPlayable(id)) {
      store.arrived(id, null);
    } else if (!store.stop(id)) {
      throw new NotYet("Nothing is being done to this episode.");
    }
  }

  /** Asks for work on the words of an episode that is there already. */
  public void listen(long id, WordsWork work) {
    free(id);
    store.want(id, work);
    ingest.schedule(id);
  }

  /**
   * Puts a verbatim text in the place of an episode's words and has it timed against the sound;
   * undo brings the words before back.
   */
  public void paste(long id, Transcript text) {
    EpisodeStore.Row row = free(id);
    Transcript spelt = glossary.apply(row.show(), text);
    TranscriptStore.StoredTranscript before = transcripts.of(id).orElse(null);
    if (before == null) {
      transcripts.replace(
          id, PlainText.spread(spelt, row.durationUs()), TranscriptFile.Timing.NOTHING);
    } else {
      transcripts.change(
          before,
          "put another text in place",
          CarriedOver.untimed(before.transcript(), spelt, row.durationUs()));
    }
    store.want(id, WordsWork.TIME);
    ingest.schedule(id);
  }

  /** The sound in which words are listened for from now on; null for what is heard. */
  public void listenTo(long id, @Nullable Integer sound) {
    int separate = sounds.of(id).size();
    if (sound != null && (sound < EpisodeStore.OWN_SOUND || sound >= separate)) {
      throw new IllegalArgumentException("This episode has no such sound.");
    }
    store.listenTo(id, sound);
  }

  private EpisodeStore.Row free(long id) {
    EpisodeStore.Row row = row(id);
    if (row.state() == EpisodeState.ARRIVING) {
      throw new NotYet("Something is still being done to this episode; wait for it, or stop it.");
    }
    return row;
  }

  /**
   * Whether it can be seen and heard: what ingest makes is there, whatever is done to its words.
   */
  public boolean isPlayable(long id) {
    return data.episode(id).isComplete();
  }

  /**
   * Chooses what is heard of an episode; its proxy and sound are made anew, nothing else changes.
   */
  public void chooseSounds(long id, List<EpisodeSounds.Choice> choices) {
    free(id);
    boolean sameSound = sounds.soundTheSame(id, choices);
    sounds.choose(id, choices);
    if (sameSound) {
      return;
    }
    data.episode(id).makeAnew();
    opened.remove(id);
    store.want(id, null);
    ingest.schedule(id);
  }

  /** Goes on taking in an episode that was put into the bin before it had arrived. */
  void goOn(long id) {
    if (row(id).state() == EpisodeState.ARRIVING) {
      ingest.schedule(id);
    }
  }

  public EpisodeStore.Row row(long id) {
    return store.byId(id).orElseThrow(() -> new NotThere("This episode is not on the shelf."));
  }

  public List<EpisodeStore.Row> all() {
    return store.all();
  }

  /** An episode that has been taken in. */
  public Episode open(long id) {
    TranscriptStore.StoredTranscript stored = transcripts.of(id).orElse(null);
    int revision = stored == null ? 0 : stored.revision();
    Opened known = opened.get(id);
    if (known != null && known.revision() == revision) {
      return known.episode();
    }
    EpisodeStore.Row row = row(id);
    if (!isPlayable(id)) {
      throw new NotYet("This episode is still being taken in.");
    }
    Transcript transcript =
        stored == null ? new Transcript("en", List.of(), List.of()) : stored.transcript();
    Episode episode =
        known != null
            ? known.episode().with(transcript, known.episode().fillers())
            : new Episode(
                data.episode(id).recording(row.source()),
                data.episode(id),
                transcript,
                fillers.of(row.show(), transcript.language()));
    opened.put(id, new Opened(revision, episode));
    return episode;
  }

  /** Changes the filler words of an episode's show, for the language the episode is in. */
  public void changeFillers(long id, FillerList list) {
    EpisodeStore.Row row = row(id);
    fillers.keep(row.show(), open(id).transcript().language(), list);
    opened.clear();
  }
}
