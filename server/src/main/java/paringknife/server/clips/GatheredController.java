package paringknife.server.clips;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.AssembledTranscript;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Assembly;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.EpisodeSource;
import paringknife.server.events.Events;
import paringknife.server.shelf.Episodes;

/** Clips put together from words gathered in several places, of one episode or of several. */
@RestController
@RequestMapping("/api")
class GatheredController {
  private static final long LONGEST_US = 1_800_000_000;

  private final Episodes episodes;
  private final NewClips clips;
  private final DataFolder data;
  private final Events events;

  GatheredController(Episodes episodes, NewClips clips, DataFolder data, Events events) {
    this.episodes = episodes;
    this.clips = clips;
    this.data = data;
    this.events = events;
  }

  /** Words of an episode, by index, both included. */
  record GatheredPiece(long episodeId, int firstWord, int lastWord) {}

  /** Pieces in the order in which they will play. */
  record Gathered(String title, List<GatheredPiece> pieces) {}

  /** Where the clip is that was made of them. */
  record MadeClip(long episodeId, long clipId) {}

  @PostMapping("/gathered-clips")
  MadeClip make(@RequestBody Gathered asked) throws IOException {
    if (asked.pieces().isEmpty()) {
      throw new IllegalArgumentException("Nothing has been gathered yet.");
    }
    String title = asked.title().isBlank() ? "Gathered" : asked.title().strip();
    List<Episode> sources = new ArrayList<>();
    List<Span> spans = new ArrayList<>();
    for (GatheredPiece piece : asked.pieces()) {
      Episode episode = episodes.open(piece.episodeId());
      episode.desk().paring().check(piece.firstWord(), piece.lastWord());
      sources.add(episode);
      spans.add(episode.editor().stretchOf(piece.firstWord(), piece.lastWord()));
    }
    if (spans.stream().mapToLong(Span::lengthUs).sum() > LONGEST_US) {
      throw new IllegalArgumentException(
          "More than half an hour has been gathered; a clip of that length is not put together here.");
    }
    long first = asked.pieces().get(0).episodeId();
    boolean ofOne = asked.pieces().stream().allMatch(p -> p.episodeId() == first);
    return ofOne
        ? clip(first, title, spans)
        : assembled(title, episodes.row(first).show(), sources, spans);
  }

  private MadeClip clip(long episodeId, String title, List<Span> stretches) {
    long id = clips.make(episodeId, title, stretches).id();
    events.clipsChanged(episodeId);
    return new MadeClip(episodeId, id);
  }

  /** Pieces of several episodes become an episode of their own, with their words and speakers. */
  private MadeClip assembled(String title, String show, List<Episode> sources, List<Span> spans)
      throws IOException {
    FrameRate rate = sources.get(0).rate();
    List<Assembly.Piece> pieces = new ArrayList<>();
    List<AssembledTranscript.Piece> words = new ArrayList<>();
    long total = 0;
    for (int i = 0; i < sources.size(); i++) {
      Episode source = sources.get(i);
      Assembly.Piece piece =
          new Assembly.Piece(source.recording(), source.folder().sound(), spans.get(i));
      long length = Assembly.lengthUs(piece, rate);
      pieces.add(piece);
      words.add(new AssembledTranscript.Piece(source.transcript(), spans.get(i), length));
      total += length;
    }
    Path folder = Files.createDirectories(data.media().resolve("assembled"));
    Path file =
        folder.resolve(
            title.replaceAll("[^\\p{L}\\p{N} _-]", "").strip()
                + " "
                + System.currentTimeMillis()
                + ".mkv");
    Assembly.write(pieces, file);
    Transcript transcript = AssembledTranscript.of(words);
    long id =
        episodes
            .add(
                new EpisodeSource(show, title, file, null, List.of()),
                new TranscriptFile.Imported(transcript, TranscriptFile.Timing.WORDS, List.of()))
            .id();
    return clip(id, title, List.of(new Span(0, total)));
  }
}
