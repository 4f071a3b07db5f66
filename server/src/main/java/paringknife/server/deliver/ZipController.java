package paringknife.server.deliver;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.FileNames;
import paringknife.core.formats.SubtitleFormat;
import paringknife.core.formats.TimedText;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.Attachment;
import paringknife.server.web.NotThere;

/** All finished files of an episode in one, streamed. */
@RestController
class ZipController {
  private static final String NONE = "none";

  private final Episodes episodes;
  private final RenderingStore renderings;
  private final ReadyFiles files;

  ZipController(Episodes episodes, RenderingStore renderings, ReadyFiles files) {
    this.episodes = episodes;
    this.renderings = renderings;
    this.files = files;
  }

  /**
   * All finished files of the present clips. Each comes with the subtitles it was rendered with, in
   * all its languages, whatever has been edited since; a table of texts and a report come with all.
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
    List<SubtitleFormat> wanted =
        subtitles.stream()
            .distinct()
            .filter(s -> !s.equals(NONE))
            .map(ZipController::format)
            .toList();
    // Only this format states its language; the others need no episode to be open.
    String spoken =
        wanted.contains(SubtitleFormat.TTML) ? episodes.open(id).transcript().language() : "";
    List<ReadyFiles.ReadyFile> ready = files.of(id);
    if (ready.isEmpty()) {
      throw new NotThere("Nothing has been rendered yet.");
    }
    ReadyFiles.Told told = files.told(id, ready);
    response.setContentType("application/zip");
    response.setHeader(
        HttpHeaders.CONTENT_DISPOSITION,
        Attachment.named(FileNames.part(episodes.row(id).title()) + ".zip").toString());
    try (ZipOutputStream zip =
        new ZipOutputStream(response.getOutputStream(), StandardCharsets.UTF_8)) {
      zip.setLevel(Deflater.NO_COMPRESSION);
      for (ReadyFiles.ReadyFile file : ready) {
        zip.putNextEntry(new ZipEntry(file.fileName()));
        Files.copy(file.path(), zip);
        zip.closeEntry();
        addSubtitles(zip, file, wanted, spoken);
      }
      text(zip, "texts.csv", told.csv());
      text(zip, "report.html", told.html());
    }
  }

  private void addSubtitles(
      ZipOutputStream zip, ReadyFiles.ReadyFile file, List<SubtitleFormat> wanted, String spoken)
      throws IOException {
    for (Map.Entry<String, List<TimedText>> track :
        renderings.subtitles(file.row().id()).entrySet()) {
      boolean isSpoken = track.getKey().isEmpty();
      String language = isSpoken ? spoken : track.getKey();
      for (SubtitleFormat format : wanted) {
        text(
            zip,
            file.name() + (isSpoken ? "." : "." + language + ".") + format.extension(),
            format.write(track.getValue(), language));
      }
    }
  }

  private static SubtitleFormat format(String extension) {
    return SubtitleFormat.byExtension(extension)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "Captions are written as srt, vtt, ttml, ass or txt."));
  }

  private static void text(ZipOutputStream zip, String name, String text) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(text.getBytes(StandardCharsets.UTF_8));
    zip.closeEntry();
  }
}
