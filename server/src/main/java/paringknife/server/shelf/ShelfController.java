package paringknife.server.shelf;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.frame.Face;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptSearch;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.EpisodeSource;
import paringknife.server.web.NotThere;

/** The shelf and the reading of episodes over HTTP. */
@RestController
@RequestMapping("/api")
class ShelfController {
  private final Episodes episodes;
  private final EpisodeStore store;
  private final ShelfStore shelves;
  private final EpisodeSounds sounds;
  private final TranscriptPages pages;
  private final DataFolder data;

  ShelfController(
      Episodes episodes,
      EpisodeStore store,
      ShelfStore shelves,
      EpisodeSounds sounds,
      TranscriptPages pages,
      DataFolder data) {
    this.episodes = episodes;
    this.store = store;
    this.shelves = shelves;
    this.sounds = sounds;
    this.pages = pages;
    this.data = data;
  }

  /** An episode on the shelf. */
  record ShelfItem(
      long id,
      String show,
      String title,
      EpisodeState state,
      double progress,
      @Nullable IngestStep step,
      double stepProgress,
      boolean playable,
      @Nullable String problem,
      long durationUs,
      int words,
      int clips,
      @Nullable Long shelfId,
      boolean binned) {}

  private ShelfItem item(EpisodeStore.Row row) {
    return new ShelfItem(
        row.id(),
        row.show(),
        row.title(),
        row.state(),
        row.progress(),
        row.step(),
        row.stepProgress(),
        episodes.isPlayable(row.id()),
        row.problem(),
        row.durationUs(),
        row.words(),
        row.clips(),
        row.shelfId(),
        row.binned());
  }

  /**
   * A new episode: names of files in the media folder; the transcript may be blank, and then the
   * text counts: a verbatim one, or nothing. Words that will be typed while listening are not
   * recognised.
   */
  record NewEpisode(
      String show,
      String title,
      String recording,
      String transcript,
      @Nullable String text,
      @Nullable Boolean typed,
      List<NewMicrophone> microphones) {
    NewEpisode {
      show = Objects.requireNonNullElse(show, "");
      title = Objects.requireNonNullElse(title, "");
      recording = Objects.requireNonNullElse(recording, "");
      transcript = Objects.requireNonNullElse(transcript, "");
      microphones = Objects.requireNonNullElse(microphones, List.of());
    }
  }

  /** A separate sound recording in the media folder; the speaker may be blank. */
  record NewMicrophone(String file, String speaker) {}

  /** A new episode, and what had to be put right in its transcript. */
  record Shelved(long id, List<String> mended) {}

  /** A file that can be chosen. */
  record MediaFile(String name, long bytes, boolean isTranscript) {}

  /** A person in the picture; face as shares of the picture. */
  record PersonInPicture(int index, String name, double x, double y, double width, double height) {}

  /**
   * What an opened episode is.
   *
   * @param madeAt names the state of its proxy and levels
   * @param quietBelowDb below which level its pauses lie, dBFS
   */
  record EpisodeCard(
      long id,
      long madeAt,
      String show,
      String title,
      long durationUs,
      int width,
      int height,
      int frameRateNumerator,
      int frameRateDenominator,
      double quietBelowDb,
      List<PersonInPicture> people) {}

  /** A transcript in columns, one entry a word; times in microseconds. */
  record TranscriptColumns(
      int revision,
      @Nullable String undo,
      @Nullable String redo,
      boolean timed,
      String language,
      List<String> speakers,
      long[] ids,
      List<String> text,
      long[] startUs,
      long[] endUs,
      int[] speaker,
      double[] confidence,
      List<Passage> paragraphs,
      int[] sentenceEnds) {}

  @GetMapping("/shelf")
  List<ShelfItem> shelf() {
    return store.all().stream().map(this::item).toList();
  }

  @GetMapping("/media-folder")
  List<MediaFile> mediaFolder() throws IOException {
    if (!Files.isDirectory(data.media())) {
      return List.of();
    }
    try (Stream<Path> files = Files.walk(data.media(), 3)) {
      return files
          .filter(Files::isRegularFile)
          .filter(
              f ->
                  f.toString()
                          .toLowerCase(Locale.ROOT)
                          .matches(".*\\.(mp4|mov|mkv|webm|mp3|m4a|wav|flac)")
                      || TranscriptFile.isOne(f))
          .filter(f -> !List.of("episode.json", "truth.json").contains(f.getFileName().toString()))
          .sorted()
          .limit(500)
          .map(
              f ->
                  new MediaFile(
                      data.media().relativize(f).toString(),
                      f.toFile().length(),
                      TranscriptFile.isOne(f)))
          .toList();
    }
  }

  /** A shelf's name and the shelf it stands in; null for none. */
  record ShelfDescription(String name, @Nullable Long parentId) {}

  /** What an episode is called and which shelf it stands on. */
  record EpisodeDescription(String show, String title, @Nullable Long shelfId) {}

  /** Bytes that episodes and finished files take on the server, and bytes that are free. */
  record Storage(long usedBytes, long freeBytes) {}

  @GetMapping("/shelves")
  List<ShelfStore.Shelf> shelves() {
    return shelves.all();
  }

  @PostMapping("/shelves")
  long addShelf(@RequestBody ShelfDescription asked) {
    return shelves.add(asked.name(), asked.parentId());
  }

  @PutMapping("/shelves/{id}")
  void changeShelf(@PathVariable long id, @RequestBody ShelfDescription asked) {
    shelves.change(id, asked.name(), asked.parentId());
  }

  @DeleteMapping("/shelves/{id}")
  void removeShelf(@PathVariable long id) {
    shelves.remove(id);
  }

  @PutMapping("/episodes/{id}")
  void describe(@PathVariable long id, @RequestBody EpisodeDescription asked) {
    episodes.row(id);
    shelves.describe(id, asked.show(), asked.title(), asked.shelfId());
  }

  @DeleteMapping("/episodes/{id}")
  void bin(@PathVariable long id) {
    episodes.row(id);
    shelves.bin(id);
  }

  @PostMapping("/episodes/{id}/return")
  void takeFromBin(@PathVariable long id) {
    shelves.takeFromBin(id);
    episodes.goOn(id);
  }

  @GetMapping("/storage")
  Storage storage() throws IOException {
    long used = 0;
    for (Path folder :
        List.of(data.root().resolve("episodes"), data.finishedFolder(), data.uploads())) {
      if (Files.isDirectory(folder)) {
        try (Stream<Path> files = Files.walk(folder)) {
          used += files.filter(Files::isRegularFile).mapToLong(f -> f.toFile().length()).sum();
        }
      }
    }
    return new Storage(used, data.root().toFile().getUsableSpace());
  }

  @PostMapping("/episodes")
  Shelved add(@RequestBody NewEpisode asked) {
    if (asked.title().isBlank()) {
      throw new IllegalArgumentException("An episode needs a title.");
    }
    Path transcript = asked.transcript().isBlank() ? null : inMediaFolder(asked.transcript());
    List<EpisodeSource.Microphone> microphones =
        asked.microphones().stream()
            .map(m -> new EpisodeSource.Microphone(inMediaFolder(m.file()), m.speaker().strip()))
            .toList();
    EpisodeSource source =
        new EpisodeSource(
            asked.show().strip(),
            asked.title().strip(),
            inMediaFolder(asked.recording()),
            transcript,
            microphones);
    Episodes.Added added =
        transcript != null ? episodes.add(source) : episodes.add(source, words(asked));
    return new Shelved(added.id(), added.mended());
  }

  private static TranscriptFile.@Nullable Imported words(NewEpisode asked) {
    if (Boolean.TRUE.equals(asked.typed())) {
      return new TranscriptFile.Imported(
          new Transcript("en", List.of(), List.of()), TranscriptFile.Timing.WORDS, List.of());
    }
    return asked.text() == null || asked.text().isBlank()
        ? null
        : TranscriptFile.read("The text.txt", asked.text().getBytes(StandardCharsets.UTF_8));
  }

  /** A separate sound recording of an episode, lined up; offset and nudge in microseconds. */
  record SoundOfEpisode(
      int position,
      String file,
      String speaker,
      @Nullable Long offsetUs,
      @Nullable Double driftPpm,
      @Nullable Double agreeing,
      long nudgeUs,
      boolean heard) {}

  /** What the producer chose for a sound. */
  record SoundChoice(String speaker, long nudgeUs, boolean heard) {}

  /**
   * The sounds of an episode; words are listened for in one of them, in its own (-1), or in what is
   * heard (null).
   */
  record SoundsOfEpisode(List<SoundOfEpisode> separate, @Nullable Integer listened) {}

  /** What the producer chose for all sounds. */
  record SoundsChosen(List<SoundChoice> separate, @Nullable Integer listened) {}

  @GetMapping("/episodes/{id}/sounds")
  SoundsOfEpisode sounds(@PathVariable long id) {
    return new SoundsOfEpisode(separate(id), episodes.row(id).listenedSound());
  }

  private List<SoundOfEpisode> separate(long id) {
    return sounds.of(id).stream()
        .map(
            s -> {
              var placed = s.placed();
              return new SoundOfEpisode(
                  s.position(),
                  s.source().getFileName().toString(),
                  s.speaker(),
                  placed == null ? null : placed.offsetUs(),
                  placed == null ? null : placed.driftPpm(),
                  placed == null ? null : placed.agreeing(),
                  s.nudgeUs(),
                  s.heard());
            })
        .toList();
  }

  /** Changes which sounds are heard and where they lie; the episode's sound is made anew. */
  @PutMapping("/episodes/{id}/sounds")
  void chooseSounds(@PathVariable long id, @RequestBody SoundsChosen chosen) {
    episodes.listenTo(id, chosen.listened());
    episodes.chooseSounds(
        id,
        chosen.separate().stream()
            .map(c -> new EpisodeSounds.Choice(c.speaker().strip(), c.nudgeUs(), c.heard()))
            .toList());
  }

  @PostMapping("/episodes/{id}/ingest")
  ShelfItem tryAgain(@PathVariable long id) {
    episodes.tryAgain(id);
    return item(episodes.row(id));
  }

  @PostMapping("/episodes/{id}/ingest/stop")
  ShelfItem stop(@PathVariable long id) {
    episodes.stop(id);
    return item(episodes.row(id));
  }

  private Path inMediaFolder(String name) {
    Path root = data.media().toAbsolutePath().normalize();
    Path file = root.resolve(name).normalize();
    try {
      if (!file.startsWith(root) || !file.toRealPath().startsWith(root.toRealPath())) {
        throw new IllegalArgumentException("Only files of the media folder can be used.");
      }
    } catch (IOException e) {
      throw new NotThere("There is no file " + name + " in the media folder.");
    }
    return file;
  }

  @GetMapping("/episodes/{id}")
  EpisodeCard card(@PathVariable long id) {
    EpisodeStore.Row row = episodes.row(id);
    Episode episode = episodes.open(id);
    var picture = episode.recording().picture();
    List<PersonInPicture> people = new java.util.ArrayList<>();
    for (int p = 0; p < episode.people().size(); p++) {
      Face face = episode.people().get(p).typicalFace(0, Long.MAX_VALUE);
      people.add(
          new PersonInPicture(
              p,
              episode.nameOf(p).orElse("Person " + (p + 1)),
              face.x(),
              face.y(),
              face.width(),
              face.height()));
    }
    return new EpisodeCard(
        id,
        episode.folder().soundMadeAt(),
        row.show(),
        row.title(),
        row.durationUs(),
        picture == null ? 640 : picture.width(),
        picture == null ? 360 : picture.height(),
        episode.rate().numerator(),
        episode.rate().denominator(),
        episode.editor().quietBelowDb(),
        people);
  }

  @GetMapping(path = "/episodes/{id}/transcript", produces = MediaType.APPLICATION_JSON_VALUE)
  @ApiResponse(
      responseCode = "200",
      content = @Content(schema = @Schema(implementation = TranscriptColumns.class)))
  ResponseEntity<byte[]> transcript(
      @PathVariable long id,
      @RequestHeader(name = "Accept-Encoding", defaultValue = "") String encodings)
      throws IOException {
    TranscriptPages.Packed packed = pages.of(id, episodes.transcript(id));
    ResponseEntity.BodyBuilder answer =
        ResponseEntity.ok()
            .cacheControl(CacheControl.noCache().cachePrivate())
            .eTag("\"" + packed.revision() + "\"")
            .varyBy("Accept-Encoding");
    if (encodings.contains("gzip")) {
      return answer.header("Content-Encoding", "gzip").body(packed.gzip());
    }
    try (InputStream plain = new GZIPInputStream(new ByteArrayInputStream(packed.gzip()))) {
      return answer.body(plain.readAllBytes());
    }
  }

  @GetMapping("/episodes/{id}/search")
  List<TranscriptSearch.Hit> search(@PathVariable long id, @RequestParam String phrase) {
    return TranscriptSearch.find(episodes.transcript(id).transcript(), phrase);
  }

  /** One byte a 10 ms window: 0 is -60 dBFS and below, 255 full scale. */
  @GetMapping(path = "/episodes/{id}/levels", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<byte[]> levels(@PathVariable long id) {
    float[] dbfs = episodes.open(id).levels().dbfs();
    ByteBuffer bytes = ByteBuffer.allocate(dbfs.length);
    for (float level : dbfs) {
      bytes.put((byte) Math.max(0, Math.min(255, Math.round((level + 60) / 60 * 255))));
    }
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(1, TimeUnit.DAYS).cachePrivate())
        .body(bytes.array());
  }

  @GetMapping("/episodes/{id}/proxy")
  ResponseEntity<FileSystemResource> proxy(@PathVariable long id) {
    return file(data.episode(id).proxy(), "video/mp4");
  }

  /** The picture nearest to a time, small. */
  @GetMapping("/episodes/{id}/thumbnail")
  ResponseEntity<FileSystemResource> thumbnail(@PathVariable long id, @RequestParam long us) {
    return file(data.episode(id).thumbnailAt(us), "image/jpeg");
  }

  @GetMapping("/episodes/{id}/poster")
  ResponseEntity<FileSystemResource> poster(@PathVariable long id) {
    return file(data.episode(id).poster(), "image/jpeg");
  }

  private static ResponseEntity<FileSystemResource> file(Path file, String type) {
    if (!Files.exists(file)) {
      throw new NotThere("This has not been made yet.");
    }
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(1, TimeUnit.HOURS).cachePrivate())
        .contentType(MediaType.parseMediaType(type))
        .body(new FileSystemResource(file));
  }
}
