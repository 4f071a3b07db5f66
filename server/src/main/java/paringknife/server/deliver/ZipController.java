package paringknife.server.deliver;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.deliver.post.PostTexts;
import paringknife.core.deliver.post.PostsCsv;
import paringknife.core.formats.SubtitleFormat;
import paringknife.core.formats.TimedText;
import paringknife.core.proof.ProofCopy;
import paringknife.server.clips.ClipPosts;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.NotThere;

/** All finished files of an episode in one, streamed. */
@RestController
class ZipController {
  private static final String NONE = "none";

  private final Episodes episodes;
  private final RenderingStore renderings;
  private final DataFolder data;
  private final CellNames cellNames;
  private final ClipStore clips;
  private final ClipPosts posts;
  private final SpecStore specs;

  ZipController(
      Episodes episodes,
      RenderingStore renderings,
      DataFolder data,
      CellNames cellNames,
      ClipStore clips,
      ClipPosts posts,
      SpecStore specs) {
    this.cellNames = cellNames;
    this.clips = clips;
    this.posts = posts;
    this.specs = specs;
    this.episodes = episodes;
    this.renderings = renderings;
    this.data = data;
  }

  /**
   * All finished files of the present clips. Each comes with the subtitles it was rendered with, in
   * all its languages, whatever has been edited since.
   *
   * @param subtitles the formats they are in, by what their files' names end in; {@code none} for
   *     no files of them
   */
  @GetMapping("/api/episodes/{id}/delivery.zip")
  void zip(
      @PathVariable long id,
      @RequestParam(defaultValue = "srt,vtt") List<String> subtitles,
      HttpServletResponse response)
      throws IOException {
    EpisodeStore.Row episode = episodes.row(id);
    List<SubtitleFormat> wanted =
        subtitles.stream()
            .distinct()
            .filter(s -> !s.equals(NONE))
            .map(ZipController::format)
            .toList();
    // Only this format states its language; the others need no episode to be open.
    String spoken =
        wanted.contains(SubtitleFormat.TTML) ? episodes.open(id).transcript().language() : "";
    List<RenderingStore.Row> ready =
        renderings.ofEpisode(id).stream().filter(this::isReady).toList();
    if (ready.isEmpty()) {
      throw new NotThere("Nothing has been rendered yet.");
    }
    response.setContentType("application/zip");
    response.setHeader(
        HttpHeaders.CONTENT_DISPOSITION,
        ContentDisposition.attachment()
            .filename(FileNames.part(episode.title()) + ".zip", StandardCharsets.UTF_8)
            .build()
            .toString());
    FileNames names = new FileNames();
    Map<CellNames.Cell, String> now = cellNames.of(id);
    Map<Long, String> named = new HashMap<>();
    try (ZipOutputStream zip =
        new ZipOutputStream(response.getOutputStream(), StandardCharsets.UTF_8)) {
      zip.setLevel(Deflater.NO_COMPRESSION);
      for (RenderingStore.Row row : ready) {
        String name =
            names.unique(
                now.getOrDefault(new CellNames.Cell(row.clipId(), row.spec()), row.fileName()));
        named.put(row.id(), name);
        zip.putNextEntry(new ZipEntry(name + "." + row.finishedAs()));
        Files.copy(file(row), zip);
        zip.closeEntry();
        for (Map.Entry<String, List<TimedText>> track : renderings.subtitles(row.id()).entrySet()) {
          boolean isSpoken = track.getKey().isEmpty();
          String language = isSpoken ? spoken : track.getKey();
          for (SubtitleFormat format : wanted) {
            text(
                zip,
                name + (isSpoken ? "." : "." + language + ".") + format.extension(),
                format.write(track.getValue(), language));
          }
        }
      }
      addReports(zip, episode, ready, named);
    }
  }

  /** The texts of the files as a table, and what was measured of them. */
  private void addReports(
      ZipOutputStream zip,
      EpisodeStore.Row episode,
      List<RenderingStore.Row> ready,
      Map<Long, String> named)
      throws IOException {
    PostsCsv table = new PostsCsv();
    DeliveryReport report = new DeliveryReport();
    for (RenderingStore.Row row : ready) {
      DeliverySpec spec = specs.all().find(row.spec()).orElse(null);
      if (spec != null) {
        ClipStore.StoredClip clip = clips.byId(row.clipId());
        PostTexts texts = spec.texts().of(clip.document().title(), posts.of(clip));
        String file = named.get(row.id()) + "." + row.finishedAs();
        table.add(file, spec.name(), texts);
        report.add(file, spec.name(), row.fileBytes(), row.checks(), texts);
      }
    }
    text(zip, "texts.csv", table.text());
    text(zip, "report.html", report.html(episode.show() + ": " + episode.title()));
  }

  private static SubtitleFormat format(String extension) {
    return SubtitleFormat.byExtension(extension)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "Captions are written as srt, vtt, ttml, ass or txt."));
  }

  private boolean isReady(RenderingStore.Row row) {
    return row.state() == RenderState.DONE
        && KeptPieces.byId(row.spec()).isEmpty()
        && !row.spec().equals(ProofCopy.ID)
        && row.finishedIn(data).filter(Files::exists).isPresent();
  }

  private Path file(RenderingStore.Row row) {
    return row.finishedIn(data).orElseThrow();
  }

  private static void text(ZipOutputStream zip, String name, String text) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(text.getBytes(StandardCharsets.UTF_8));
    zip.closeEntry();
  }
}
