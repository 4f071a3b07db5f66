package paringknife.server.deliver;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Composition;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.deliver.Preflight;
import paringknife.core.formats.SubRip;
import paringknife.core.formats.WebVtt;
import paringknife.core.letter.Lettering;
import paringknife.core.letter.Letterings;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.NotThere;

/** The delivery sheet over HTTP. */
@RestController
@RequestMapping("/api")
class DeliveryController {
  private final Episodes episodes;
  private final ClipStore clips;
  private final RenderingStore renderings;
  private final RenderQueue task;
  private final DataFolder data;

  DeliveryController(
      Episodes episodes,
      ClipStore clips,
      RenderingStore renderings,
      RenderQueue task,
      DataFolder data) {
    this.episodes = episodes;
    this.clips = clips;
    this.renderings = renderings;
    this.task = task;
    this.data = data;
  }

  /** Clips by specs. */
  record Sheet(List<DeliverySpec> specs, List<Line> lines) {}

  /** One clip of the sheet. */
  record Line(
      long clipId, String title, long lengthUs, long originalUs, int revision, List<Cell> cells) {}

  /**
   * A clip for a spec.
   *
   * @param current whether the finished file is of the clip as it is now
   * @param secondsLeft rest time of a rendering; null when not known
   */
  record Cell(
      String spec,
      boolean asked,
      boolean passes,
      List<Check> checks,
      @Nullable Long renderingId,
      @Nullable RenderState state,
      boolean current,
      double progress,
      @Nullable Long secondsLeft,
      long bytes,
      String fileName,
      List<Check> measured,
      @Nullable String problem) {}

  @GetMapping("/specs")
  List<DeliverySpec> specs() {
    return DeliverySpecs.shipped();
  }

  @GetMapping("/letterings")
  List<Lettering> letterings() {
    return Letterings.all();
  }

  @GetMapping("/episodes/{id}/sheet")
  Sheet sheet(@PathVariable long id) {
    Episode episode = episodes.open(id);
    String title = episodes.row(id).show() + " " + episodes.row(id).title();
    Map<String, RenderingStore.Row> cells =
        renderings.ofEpisode(id).stream()
            .collect(Collectors.toMap(r -> r.clipId() + " " + r.spec(), Function.identity()));
    List<Line> lines = new ArrayList<>();
    for (ClipStore.StoredClip clip : clips.ofEpisode(id)) {
      var settings = clip.document().settings();
      List<Cell> row = new ArrayList<>();
      long length = 0;
      for (DeliverySpec spec : DeliverySpecs.shipped()) {
        Composition composition = ClipRenderer.compose(episode, clip.document(), spec);
        length = composition.playback().lengthUs();
        row.add(
            cell(episode, title, clip, spec, composition, cells.get(clip.id() + " " + spec.id())));
      }
      long original = settings.stretches().stream().mapToLong(s -> s.lengthUs()).sum();
      lines.add(new Line(clip.id(), settings.title(), length, original, clip.revision(), row));
    }
    return new Sheet(DeliverySpecs.shipped(), lines);
  }

  private static Cell cell(
      Episode episode,
      String title,
      ClipStore.StoredClip clip,
      DeliverySpec spec,
      Composition composition,
      RenderingStore.@Nullable Row row) {
    List<Check> checks = composition.preflight();
    boolean asked = clip.document().settings().specs().contains(spec.id());
    String name = FileNames.of(title, clip.document().settings().title(), spec);
    if (row == null) {
      return new Cell(
          spec.id(),
          asked,
          Preflight.passes(checks),
          checks,
          null,
          null,
          false,
          0,
          null,
          0,
          name,
          List.of(),
          null);
    }
    boolean current = row.fingerprint().equals(Fingerprint.of(episode, composition));
    return new Cell(
        spec.id(),
        asked,
        Preflight.passes(checks),
        checks,
        row.id(),
        row.state(),
        current,
        row.progress(),
        secondsLeft(row),
        row.fileBytes(),
        name,
        row.checks(),
        row.problem());
  }

  private static @Nullable Long secondsLeft(RenderingStore.Row row) {
    if (row.state() != RenderState.RENDERING || row.startedAt() == null || row.progress() < 0.03) {
      return null;
    }
    double spent = Duration.between(row.startedAt(), Instant.now()).toMillis() / 1000.0;
    return Math.round(spent / row.progress() * (1 - row.progress()));
  }

  /** Renders every asked cell that passes and is not finished as it is now; answers how many. */
  @PostMapping("/episodes/{id}/renderings")
  int renderAll(@PathVariable long id) {
    Sheet sheet = sheet(id);
    Episode episode = episodes.open(id);
    int ordered = 0;
    for (Line line : sheet.lines()) {
      for (Cell cell : line.cells()) {
        boolean busy = cell.state() == RenderState.WAITING || cell.state() == RenderState.RENDERING;
        boolean ready = cell.state() == RenderState.DONE && cell.current();
        if (cell.asked() && cell.passes() && !ready && !(busy && cell.current())) {
          Composition composition =
              ClipRenderer.compose(
                  episode, clips.byId(line.clipId()).document(), DeliverySpecs.byId(cell.spec()));
          long rendering =
              renderings.order(
                  line.clipId(),
                  cell.spec(),
                  Fingerprint.of(episode, composition),
                  cell.fileName());
          task.schedule(rendering);
          ordered++;
        }
      }
    }
    return ordered;
  }

  @PostMapping("/renderings/{id}/cancel")
  void cancel(@PathVariable long id) {
    renderings.cancel(id);
  }

  @GetMapping("/renderings/{id}/file")
  ResponseEntity<FileSystemResource> file(
      @PathVariable long id, @RequestParam(defaultValue = "false") boolean download) {
    RenderingStore.Row row = done(id);
    Path file = data.finished(row.clipId(), row.spec());
    HttpHeaders headers = new HttpHeaders();
    headers.setContentType(MediaType.parseMediaType("video/mp4"));
    headers.setCacheControl("no-cache");
    if (download) {
      headers.setContentDisposition(
          ContentDisposition.attachment().filename(row.fileName() + ".mp4").build());
    }
    return ResponseEntity.ok().headers(headers).body(new FileSystemResource(file));
  }

  private RenderingStore.Row done(long id) {
    return renderings
        .byId(id)
        .filter(r -> r.state() == RenderState.DONE)
        .orElseThrow(() -> new NotThere("This file has not been rendered."));
  }

  /** All finished files of the present clips with their subtitles, streamed. */
  @GetMapping("/episodes/{id}/delivery.zip")
  void zip(@PathVariable long id, HttpServletResponse response) throws IOException {
    Episode episode = episodes.open(id);
    EpisodeStore.Row row = episodes.row(id);
    List<RenderingStore.Row> ready =
        renderings.ofEpisode(id).stream()
            .filter(
                r ->
                    r.state() == RenderState.DONE
                        && KeptPieces.byId(r.spec()).isEmpty()
                        && Files.exists(data.finished(r.clipId(), r.spec())))
            .toList();
    if (ready.isEmpty()) {
      throw new NotThere("Nothing has been rendered yet.");
    }
    response.setContentType("application/zip");
    response.setHeader(
        HttpHeaders.CONTENT_DISPOSITION,
        ContentDisposition.attachment()
            .filename(row.title().replaceAll("[^A-Za-z0-9]+", "-") + ".zip")
            .build()
            .toString());
    try (ZipOutputStream zip =
        new ZipOutputStream(response.getOutputStream(), StandardCharsets.UTF_8)) {
      zip.setLevel(Deflater.NO_COMPRESSION);
      for (RenderingStore.Row rendering : ready) {
        zip.putNextEntry(new ZipEntry(rendering.fileName() + ".mp4"));
        Files.copy(data.finished(rendering.clipId(), rendering.spec()), zip);
        zip.closeEntry();
        Composition composition =
            ClipRenderer.compose(
                episode,
                clips.byId(rendering.clipId()).document(),
                DeliverySpecs.byId(rendering.spec()));
        text(zip, rendering.fileName() + ".srt", SubRip.write(composition.subtitles()));
        text(zip, rendering.fileName() + ".vtt", WebVtt.write(composition.subtitles()));
      }
    }
  }

  private static void text(ZipOutputStream zip, String name, String text) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(text.getBytes(StandardCharsets.UTF_8));
    zip.closeEntry();
  }
}
