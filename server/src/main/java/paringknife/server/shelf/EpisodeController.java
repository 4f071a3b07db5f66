package paringknife.server.shelf;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.Person;
import paringknife.core.transcript.Transcript;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.EpisodeSource;

/** Episodes over HTTP: added, stopped, taken up again, opened. */
@RestController
@RequestMapping("/api/episodes")
class EpisodeController {
  private final Episodes episodes;
  private final MediaFolder folder;

  EpisodeController(Episodes episodes, MediaFolder folder) {
    this.episodes = episodes;
    this.folder = folder;
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
      @Schema(maxLength = 8_000_000) @Nullable String text,
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

  /**
   * A person in the picture.
   *
   * @param index their number, which stays theirs
   * @param seenAtUs when they are seen well, with the box of their face as shares of the picture
   */
  record PersonInPicture(
      int index, String name, long seenAtUs, double x, double y, double width, double height) {
    static PersonInPicture of(int index, String name, Person.Sighting seen) {
      Face face = seen.face();
      return new PersonInPicture(
          index, name, seen.timeUs(), face.x(), face.y(), face.width(), face.height());
    }
  }

  /** Where the picture of a camera lies among those of all, pixels. */
  record CameraPicture(int x, int y, int width, int height) {
    static CameraPicture of(CameraGrid.Cell cell) {
      return new CameraPicture(cell.x(), cell.y(), cell.width(), cell.height());
    }
  }

  /**
   * What an opened episode is.
   *
   * @param madeAt names the state of its proxy and levels
   * @param quietBelowDb below which level its pauses lie, dBFS
   * @param width of the pictures of all cameras side by side
   * @param height likewise
   * @param cameras where the picture of each lies
   * @param people who is seen; joined and dismissed ones are not
   * @param peoplePutRight whether something about them can be taken back
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
      List<CameraPicture> cameras,
      List<PersonInPicture> people,
      boolean peoplePutRight) {}

  @PostMapping
  Shelved add(@RequestBody NewEpisode asked) {
    if (asked.title().isBlank()) {
      throw new IllegalArgumentException("An episode needs a title.");
    }
    Path transcript = asked.transcript().isBlank() ? null : folder.find(asked.transcript());
    List<EpisodeSource.Microphone> microphones =
        asked.microphones().stream()
            .map(m -> new EpisodeSource.Microphone(folder.find(m.file()), m.speaker().strip()))
            .toList();
    EpisodeSource source =
        new EpisodeSource(
            asked.show().strip(),
            asked.title().strip(),
            folder.find(asked.recording()),
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

  @PostMapping("/{id}/ingest")
  ShelfItem tryAgain(@PathVariable long id) {
    episodes.tryAgain(id);
    return ShelfItem.of(episodes.row(id), episodes.isPlayable(id));
  }

  @PostMapping("/{id}/ingest/stop")
  ShelfItem stop(@PathVariable long id) {
    episodes.stop(id);
    return ShelfItem.of(episodes.row(id), episodes.isPlayable(id));
  }

  @GetMapping("/{id}")
  EpisodeCard card(@PathVariable long id) {
    EpisodeStore.Row row = episodes.row(id);
    Episode episode = episodes.open(id);
    CameraGrid grid = episode.grid();
    List<PersonInPicture> people = new java.util.ArrayList<>();
    for (int p = 0; p < episode.people().count(); p++) {
      if (!episode.people().isSeen(p)) {
        continue;
      }
      people.add(
          PersonInPicture.of(
              p, episode.nameOf(p).orElse("Person " + (p + 1)), InGrid.best(episode, p)));
    }
    return new EpisodeCard(
        id,
        episode.folder().soundMadeAt(),
        row.show(),
        row.title(),
        row.durationUs(),
        grid.width(),
        grid.height(),
        episode.rate().numerator(),
        episode.rate().denominator(),
        episode.editor().quietBelowDb(),
        grid.cells().stream().map(CameraPicture::of).toList(),
        people,
        episodes.arePeoplePutRight(id));
  }
}
