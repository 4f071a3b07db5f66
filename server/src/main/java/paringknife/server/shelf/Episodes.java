package paringknife.server.shelf;

import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.formats.PlainText;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.PeopleCorrection;
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
import paringknife.server.specs.SpecStore;
import paringknife.server.transcripts.FillerLists;
import paringknife.server.transcripts.Glossary;
import paringknife.server.transcripts.TranscriptStore;
import paringknife.server.web.NotThere;
import paringknife.server.web.NotYet;

/** Opens episodes and keeps the opened ones in memory, as long as their transcript is the same. */
@Service
public class Episodes {
  private static final int LONGEST_NAME = 200;
  private static final int LONGEST_PATH = 700;
  private static final int MOST_MICROPHONES = 24;

  private final EpisodeStore store;
  private final DataFolder data;
  private final IngestQueue ingest;
  private final EpisodeSounds sounds;
  private final TranscriptStore transcripts;
  private final Glossary glossary;
  private final FillerLists fillers;
  private final SpecStore specs;
  private final EpisodePeople people;
  private final TransactionTemplate transactions;
  private static final String ARRIVING = "This episode is still being taken in.";

  private final Recent<Opened> opened = new Recent<>(8);

  /** A new episode, and what had to be put right in its transcript. */
  public record Added(long id, List<String> mended) {}

  private record Opened(int revision, long people, Episode episode) {}

  Episodes(
      EpisodeStore store,
      DataFolder data,
      IngestQueue ingest,
      EpisodeSounds sounds,
      TranscriptStore transcripts,
      Glossary glossary,
      FillerLists fillers,
      SpecStore specs,
      EpisodePeople people,
      TransactionTemplate transactions) {
    this.people = people;
    this.transactions = transactions;
    this.fillers = fillers;
    this.specs = specs;
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
   * @param given null to have them recognised
   */
  public Added add(EpisodeSource source, TranscriptFile.@Nullable Imported given) {
    refuseLong(source);
    refuseTwice(source.camera().toAbsolutePath());
    Recording probed = Probe.of(source.camera());
    if (!probed.hasSound()) {
      throw new UnusableRecording(
          source.camera().getFileName()
              + (source.microphones().isEmpty()
                  ? " has no sound, so there is nothing to read or pare."
                  : " has no sound, so the microphones cannot be lined up with it."));
    }
    Set<EpisodeSource.Microphone> filming = filming(source);
    TranscriptFile.Imported words = given == null ? null : given.within(probed.durationUs());
    Transcript text = words == null ? null : timed(words, probed.durationUs());
    Long id =
        transactions.execute(status -> shelve(source, filming, words, text, probed.durationUs()));
    return new Added(id, words == null ? List.of() : words.mended());
  }

  /** The separate recordings with a picture; all of them have to be heard to be lined up. */
  private static Set<EpisodeSource.Microphone> filming(EpisodeSource source) {
    Set<EpisodeSource.Microphone> filming = new HashSet<>();
    for (EpisodeSource.Microphone microphone : source.microphones()) {
      Recording separate = Probe.of(microphone.file());
      if (!separate.hasSound()) {
        throw new UnusableRecording(
            microphone.file().getFileName()
                + " has no sound, so it cannot be lined up with the others.");
      }
      if (separate.picture() != null) {
        filming.add(microphone);
      }
    }
    if (filming.size() >= CameraGrid.MOST) {
      throw new UnusableRecording("An episode has up to " + CameraGrid.MOST + " cameras.");
    }
    return filming;
  }

  private static Transcript timed(TranscriptFile.Imported words, long durationUs) {
    return words.timing() == TranscriptFile.Timing.NOTHING
        ? PlainText.spread(words.transcript(), durationUs)
        : words.transcript();
  }

  /** All of an episode comes with it, and work on it begins, or nothing does. */
  private long shelve(
      EpisodeSource source,
      Set<EpisodeSource.Microphone> filming,
      TranscriptFile.@Nullable Imported words,
      @Nullable Transcript text,
      long durationUs) {
    long id =
        store.add(source.show(), source.title(), source.camera().toAbsolutePath(), durationUs);
    if (words != null && text != null) {
      transcripts.replace(id, glossary.apply(source.show(), text), words.timing());
    }
    sounds.add(id, source.microphones(), filming);
    ingest.schedule(new EpisodeStore.Work(id, 1));
    return id;
  }

  private static void refuseLong(EpisodeSource source) {
    refuseLong("A show's name", source.show(), LONGEST_NAME);
    refuseLong("A title", source.title(), LONGEST_NAME);
    refuseLong("A recording's name with its folders", path(source.camera()), LONGEST_PATH);
    for (EpisodeSource.Microphone microphone : source.microphones()) {
      refuseLong("A speaker's name", microphone.speaker(), LONGEST_NAME);
      refuseLong("A recording's name with its folders", path(microphone.file()), LONGEST_PATH);
    }
    if (source.microphones().size() > MOST_MICROPHONES) {
      throw new IllegalArgumentException(
          "An episode has up to " + MOST_MICROPHONES + " microphones.");
    }
  }

  private static String path(Path file) {
    return file.toAbsolutePath().toString();
  }

  private static void refuseLong(String what, String text, int most) {
    if (text.length() > most) {
      throw new IllegalArgumentException(what + " has up to " + most + " characters.");
    }
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
    want(id, row.wanted());
  }

  /**
   * Stops what is being done to an episode; what is whole by then stays. Work that was asked for on
   * the words of a whole episode is let go of, and the episode is as it was before.
   */
  public void stop(long id) {
    EpisodeStore.Row row = row(id);
    if (row.state() == EpisodeState.ARRIVING && row.wanted() != null && isPlayable(id)) {
      store.letGo(id);
    } else if (!store.stop(id)) {
      throw new NotYet("Nothing is being done to this episode.");
    }
  }

  /** Asks for work on the words of an episode that is there already. */
  public void listen(long id, WordsWork work) {
    free(id);
    want(id, work);
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
    want(id, WordsWork.TIME);
  }

  private void want(long id, @Nullable WordsWork work) {
    transactions.executeWithoutResult(status -> ingest.schedule(store.want(id, work)));
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
    want(id, null);
  }

  /** Goes on taking in an episode that was put into the bin before it had arrived. */
  void goOn(long id) {
    if (row(id).state() == EpisodeState.ARRIVING) {
      ingest.schedule(new EpisodeStore.Work(id, row(id).work()));
    }
  }

  public EpisodeStore.Row row(long id) {
    return store.byId(id).orElseThrow(() -> new NotThere("This episode is not on the shelf."));
  }

  /**
   * All that what is worked out of an episode's clips depends on, besides the clips: as long as it
   * is the same, so is that.
   *
   * @param transcript its revision
   * @param people the last that was put right of who is seen
   * @param soundMadeAt when its sound was made, with all else that is made of the recording
   */
  public record Standing(int transcript, long people, DeliverySpecs specs, long soundMadeAt) {}

  /** How an episode stands, without opening it. */
  public Standing standing(long id) {
    if (!isPlayable(id)) {
      row(id);
      throw new NotYet(ARRIVING);
    }
    return new Standing(
        transcripts.revision(id), people.stateOf(id), specs.all(), data.episode(id).soundMadeAt());
  }

  public List<EpisodeStore.Row> all() {
    return store.all();
  }

  /** An episode that has been taken in. */
  public Episode open(long id) {
    TranscriptStore.StoredTranscript stored = transcripts.of(id).orElse(null);
    int revision = stored == null ? 0 : stored.revision();
    Opened known = opened.get(id);
    long putRight = people.stateOf(id);
    DeliverySpecs deliveries = specs.all();
    if (known != null
        && known.revision() == revision
        && known.people() == putRight
        && known.episode().specs() == deliveries) {
      return known.episode();
    }
    EpisodeStore.Row row = row(id);
    if (!isPlayable(id)) {
      throw new NotYet(ARRIVING);
    }
    Transcript transcript =
        stored == null ? new Transcript("en", List.of(), List.of()) : stored.transcript();
    Episode episode =
        known != null
            ? known.episode().with(transcript, deliveries)
            : new Episode(
                data.episode(id).recording(row.source()),
                data.episode(id),
                transcript,
                fillers.of(row.show(), transcript.language()),
                deliveries);
    boolean samePeople = (known == null ? 0 : known.people()) == putRight;
    Episode seen = samePeople ? episode : episode.with(people.of(id));
    opened.put(id, new Opened(revision, putRight, seen));
    return seen;
  }

  /**
   * Puts right who is seen in an episode.
   *
   * @throws IllegalArgumentException when it is about nobody who is seen
   */
  void putRight(long id, PeopleCorrection correction) {
    transactions.executeWithoutResult(
        inTransaction -> {
          store.lock(id);
          Episode episode = open(id);
          episode.people().with(correction, episode.shots());
          if (people.of(id).size() >= EpisodePeople.MOST) {
            throw new IllegalArgumentException("Too much was put right already.");
          }
          people.add(id, correction);
        });
  }

  boolean arePeoplePutRight(long id) {
    return people.stateOf(id) > 0;
  }

  void takeBackPeople(long id) {
    row(id);
    if (!people.takeBack(id)) {
      throw new IllegalArgumentException("Nothing was put right about who is seen.");
    }
  }

  /** Changes the filler words of an episode's show, for the language the episode is in. */
  public void changeFillers(long id, FillerList list) {
    EpisodeStore.Row row = row(id);
    fillers.keep(row.show(), open(id).transcript().language(), list);
    opened.clear();
  }
}
