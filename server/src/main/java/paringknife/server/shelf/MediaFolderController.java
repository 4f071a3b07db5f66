package paringknife.server.shelf;

import java.io.IOException;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The media folder over HTTP. */
@RestController
class MediaFolderController {
  private final MediaFolder folder;

  MediaFolderController(MediaFolder folder) {
    this.folder = folder;
  }

  @GetMapping("/api/media-folder")
  List<MediaFile> files() throws IOException {
    return folder.files();
  }
}
