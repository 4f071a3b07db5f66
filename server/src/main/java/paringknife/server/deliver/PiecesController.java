package paringknife.server.deliver;

import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.KeptPieces;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.Attachment;
import paringknife.server.web.NotThere;

/** The kept pieces of a clip as files, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}/pieces")
class PiecesController {
  private final ClipStore clips;
  private final Episodes episodes;
  private final RenderingStore renderings;
  private final RenderOrders orders;
  private final DataFolder data;

  PiecesController(
      ClipStore clips,
      Episodes episodes,
      RenderingStore renderings,
      RenderOrders orders,
      DataFolder data) {
    this.clips = clips;
    this.episodes = episodes;
    this.renderings = renderings;
    this.orders = orders;
    this.data = data;
  }

  /**
   * Pieces that were asked for; {@code current} tells whether they are of the clip as it is now.
   */
  record PiecesMade(
      long id,
      boolean each,
      int handles,
      RenderState state,
      double progress,
      long bytes,
      boolean current,
      @Nullable String problem) {}

  @GetMapping
  List<PiecesMade> made(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    String now = Fingerprint.ofPieces(episode, episode.compose(clip.document()));
    return renderings.ofEpisode(clip.episodeId()).stream()
        .filter(r -> r.clipId() == id)
        .flatMap(r -> KeptPieces.byId(r.spec()).map(p -> made(r, p, now)).stream())
        .toList();
  }

  private static PiecesMade made(RenderingStore.Row row, KeptPieces pieces, String now) {
    return new PiecesMade(
        row.id(),
        pieces.each(),
        pieces.handles(),
        row.state(),
        row.progress(),
        row.fileBytes(),
        row.fingerprint().equals(now),
        row.problem());
  }

  /** Has the pieces written in the background. */
  @PostMapping
  List<PiecesMade> order(@PathVariable long id, @RequestBody KeptPieces asked) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    orders.order(
        List.of(
            new RenderOrders.Wanted(
                id,
                asked.id(),
                Fingerprint.ofPieces(episode, episode.compose(clip.document())),
                FileNames.part(clip.document().title()),
                0)));
    return made(id);
  }

  @GetMapping("/{rendering}/file")
  ResponseEntity<FileSystemResource> file(@PathVariable long id, @PathVariable long rendering) {
    RenderingStore.Row row =
        renderings
            .byId(rendering)
            .filter(r -> r.clipId() == id && KeptPieces.byId(r.spec()).isPresent())
            .orElseThrow(() -> new NotThere("These pieces have not been written."));
    Path file =
        row.finishedIn(data).orElseThrow(() -> new NotThere("These pieces have not been written."));
    HttpHeaders headers = new HttpHeaders();
    headers.setContentType(FinishedMedia.type(row.finishedAs()));
    headers.setContentDisposition(Attachment.named(row.fileName() + "-kept." + row.finishedAs()));
    return ResponseEntity.ok().headers(headers).body(new FileSystemResource(file));
  }
}
