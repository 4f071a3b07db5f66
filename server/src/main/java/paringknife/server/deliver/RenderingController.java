package paringknife.server.deliver;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.server.episodes.DataFolder;
import paringknife.server.web.NotThere;

/** Renderings and their finished files over HTTP. */
@RestController
@RequestMapping("/api/renderings/{id}")
class RenderingController {
  private final RenderingStore renderings;
  private final DataFolder data;

  RenderingController(RenderingStore renderings, DataFolder data) {
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
      headers.setContentDisposition(
          ContentDisposition.attachment()
              .filename(row.fileName() + "." + row.finishedAs(), StandardCharsets.UTF_8)
              .build());
    }
    return ResponseEntity.ok().headers(headers).body(new FileSystemResource(file));
  }
}
