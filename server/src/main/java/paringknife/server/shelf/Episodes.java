package paringknife.server.shelf;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import paringknife.core.formats.PlainText;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.EpisodeSource;
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
  private final Map<Long, Opened> opened = new ConcurrentHashMap<>();

  /** A new episode, and what had to be put right in its transcript. */
  public record Added(long id, List<String> mended) {}

  private record Opened(int revision, Episode episode) {}

  Episodes(EpisodeStore store, DataFolder data, IngestQueue ingest, EpisodeSounds sounds, TranscriptStore transcripts, Glossary glossary) {
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
    Path transcript = source.transcript();
    TranscriptFile.Imported words = transcript == null ? null : TranscriptFile.read(transcript);
    long id = store.add(source.show(), source.title(), source.camera().toAbsolutePath(), probed.durationUs());
    if (words != null) {
      Transcript text =
          words.timing() == TranscriptFile.Timing.NOTHING ? PlainText.spread(words.transcript(), probed.durationUs()) : words.transcript();
      transcripts.replace(id, glossary.apply(source.show(), text), words.timing());
    }
    sounds.add(id, source.microphones());
    ingest.schedule(id);
    return new Added(id, words == null ? List.of() : words.mended());
  }

  /** The transcript, whether or not the episode has been taken in. */
  public TranscriptStore.StoredTranscript transcript(long id) {
    return transcripts.of(id).orElseThrow(() -> new NotThere("This episode has no transcript yet."));
  }

  /** Starts the ingest of an episode that failed once more. */
  public void tryAgain(long id) {
    if (row(id).state() != EpisodeState.FAILED) {
      throw new IllegalArgumentException("This episode has not failed.");
    }
    store.report(id, EpisodeState.ARRIVING, 0, null);
    ingest.schedule(id);
  }

  /** Chooses what is heard of an episode; its proxy and sound are made anew, nothing else changes. */
  public void chooseSounds(long id, List<EpisodeSounds.Choice> choices) {
    if (row(id).state() == EpisodeState.ARRIVING) {
      throw new NotYet("This episode is still being taken in.");
    }
    sounds.choose(id, choices);
    data.episode(id).makeAnew();
    opened.remove(id);
    store.report(id, EpisodeState.ARRIVING, 0, null);
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
    if (row.state() != EpisodeState.READY) {
      throw new NotYet("This episode is still being taken in.");
    }
    Transcript transcript = stored == null ? new Transcript("en", List.of(), List.of()) : stored.transcript();
    Episode episode =
        known != null
            ? known.episode().withTranscript(transcript)
            : new Episode(Probe.of(row.source()), data.episode(id), transcript);
    opened.put(id, new Opened(revision, episode));
    return episode;
  }
}
