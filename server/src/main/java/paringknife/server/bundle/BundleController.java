package paringknife.server.bundle;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.FileNames;
import paringknife.server.shelf.MediaFolder;
import paringknife.server.web.Attachment;

/** Bundles of episodes over HTTP: taken along, and opened from the media folder. */
@RestController
class BundleController {
  private final BundleWriter writer;
  private final BundleReader reader;
  private final MediaFolder folder;

  BundleController(BundleWriter writer, BundleReader reader, MediaFolder folder) {
    this.writer = writer;
    this.reader = reader;
    this.folder = folder;
  }

  /**
   * An episode with its clips as one file.
   *
   * @param recordings whether the recordings go along
   */
  @GetMapping(path = "/api/episodes/{id}/bundle", produces = "application/zip")
  void bundle(
      @PathVariable long id,
      @RequestParam(defaultValue = "false") boolean recordings,
      HttpServletResponse response)
      throws IOException {
    BundleWriter.Gathered gathered = writer.gather(id, recordings);
    response.setContentType("application/zip");
    response.setHeader(
        HttpHeaders.CONTENT_DISPOSITION,
        Attachment.named(FileNames.part(gathered.bundle().title()) + MediaFolder.BUNDLE)
            .toString());
    writer.write(gathered, response.getOutputStream());
  }

  /** A bundle that lies in the media folder. */
  record BundleName(String file) {}

  /** The episode that was put on the shelf. */
  record Opened(long id) {}

  @PostMapping("/api/bundles")
  Opened open(@RequestBody BundleName asked) throws IOException {
    return new Opened(reader.takeIn(folder.find(asked.file())));
  }
}
