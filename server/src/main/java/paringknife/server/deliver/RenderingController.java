package paringknife.server.deliver;

import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.web.Attachment;
import paringknife.server.web.NotThere;

/** Renderings and their finished files over HTTP. */
@RestController
@RequestMapping("/api/renderings/{id}")
class RenderingController {
  private final RenderingStore renderings;
  private final DataFolder data;
  private final ClipStore clips;
  private final CellNames names;

  RenderingController(
      RenderingStore renderings, DataFolder data, ClipStore clips, CellNames names) {
    this.clips = clips;
    this.names = names;
    this.renderings = renderings;
    this.data = data;
  }

  @PostMapping("/cancel")
  void cancel(@PathVariable long id) {
    if (renderings.byId(id).isEmpty()) {
      throw new NotThere("This was not ordered.");
    }
    renderings.cancel(id);
  }

  @GetMapping("/file")
  ResponseEntity<FileSystemResource> file(
      @PathVariable long id, @RequestParam(defaultValue = "false") boolean download) {
    RenderingStore.Row row =
        renderings
            .byId(id)
            .filter(r -> r.state() == RenderState.DONE)
            .orElseThrow(() -> new NotThere("This file has not been rendered."));
    Path file =
        row.finishedIn(data).orElseThrow(() -> new NotThere("This file has not been rendered."));
    if (!Files.exists(file)) {
      throw new NotThere("This file is not there any more; render it again.");
    }
    HttpHeaders headers = new HttpHeaders();
    headers.setContentType(FinishedMedia.type(row.finishedAs()));
    headers.setCacheControl("no-cache");
    if (download) {
      headers.setContentDisposition(Attachment.named(nameOf(row) + "." + row.finishedAs()));
    }
    return ResponseEntity.ok().headers(headers).body(new FileSystemResource(file));
  }

  /** What its cell is called now; as it was ordered where there is no such cell any more. */
  private String nameOf(RenderingStore.Row row) {
    long episode = clips.byId(row.clipId()).episodeId();
    return names
        .of(episode, clips.ofEpisode(episode))
        .getOrDefault(new CellNames.Cell(row.clipId(), row.spec()), row.fileName());
  }
}
