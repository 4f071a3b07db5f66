package paringknife.server.shelf;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.zip.GZIPInputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.TranscriptSearch;
import paringknife.server.episodes.DataFolder;
import paringknife.server.web.NotThere;

/** What was made of episodes, over HTTP: their text, levels, proxy and pictures. */
@RestController
@RequestMapping("/api/episodes/{id}")
class EpisodeFilesController {
  private final Episodes episodes;
  private final TranscriptPages pages;
  private final DataFolder data;

  EpisodeFilesController(Episodes episodes, TranscriptPages pages, DataFolder data) {
    this.episodes = episodes;
    this.pages = pages;
    this.data = data;
  }

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

  @GetMapping(path = "/transcript", produces = MediaType.APPLICATION_JSON_VALUE)
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

  @GetMapping("/search")
  List<TranscriptSearch.Hit> search(@PathVariable long id, @RequestParam String phrase) {
    return TranscriptSearch.find(episodes.transcript(id).transcript(), phrase);
  }

  /** One byte a 10 ms window: 0 is -60 dBFS and below, 255 full scale. */
  @GetMapping(path = "/levels", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
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

  @GetMapping("/proxy")
  ResponseEntity<FileSystemResource> proxy(@PathVariable long id) {
    return file(data.episode(id).proxy(), "video/mp4");
  }

  /** The picture nearest to a time, small. */
  @GetMapping("/thumbnail")
  ResponseEntity<FileSystemResource> thumbnail(@PathVariable long id, @RequestParam long us) {
    return file(data.episode(id).thumbnailAt(us), "image/jpeg");
  }

  @GetMapping("/poster")
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
