package paringknife.server.clips;

import java.nio.file.Path;
import java.time.Duration;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.media.store.BackdropPictures;
import paringknife.media.store.KeptPicture;
import paringknife.media.store.StylePictures;
import paringknife.server.web.NotThere;

/** Pictures that can be grounds, over HTTP. */
@RestController
@RequestMapping("/api/backdrops")
class BackdropController {
  private static final Duration KEPT = Duration.ofDays(365);

  private final BackdropPictures backdrops;

  BackdropController(StylePictures pictures) {
    this.backdrops = pictures.backdrops();
  }

  /**
   * A picture that was kept.
   *
   * @param aspect its width for one of its height
   */
  record BackdropKept(String picture, double aspect) {}

  /** Keeps a PNG or JPEG picture. */
  @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  BackdropKept add(@RequestBody byte[] picture) {
    KeptPicture kept = backdrops.add(picture);
    return new BackdropKept(kept.id(), kept.aspect());
  }

  @GetMapping(path = "/{picture}", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<FileSystemResource> picture(@PathVariable String picture) {
    Path file =
        backdrops
            .file(picture)
            .orElseThrow(() -> new NotThere("That backdrop is not there any more."));
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(KEPT).cachePrivate().immutable())
        .body(new FileSystemResource(file));
  }
}
