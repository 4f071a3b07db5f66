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
import paringknife.media.store.KeptPicture;
import paringknife.media.store.KeptPictures;
import paringknife.media.store.StylePictures;
import paringknife.server.web.NotThere;

/** Pictures that stand in films as logos or are seen as grounds, over HTTP. */
@RestController
@RequestMapping("/api")
class StylePictureController {
  private static final Duration KEPT = Duration.ofDays(365);

  private final StylePictures pictures;

  StylePictureController(StylePictures pictures) {
    this.pictures = pictures;
  }

  /**
   * A picture that was kept.
   *
   * @param aspect its width for one of its height
   */
  record PictureKept(String picture, double aspect) {
    static PictureKept of(KeptPicture kept) {
      return new PictureKept(kept.id(), kept.aspect());
    }
  }

  /** Keeps a PNG or JPEG picture as a logo. */
  @PostMapping(path = "/logos", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  PictureKept addLogo(@RequestBody byte[] picture) {
    return PictureKept.of(pictures.logos().add(picture));
  }

  /** Keeps a PNG or JPEG picture as a backdrop. */
  @PostMapping(path = "/backdrops", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  PictureKept addBackdrop(@RequestBody byte[] picture) {
    return PictureKept.of(pictures.backdrops().add(picture));
  }

  @GetMapping(path = "/logos/{picture}", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<FileSystemResource> logo(@PathVariable String picture) {
    return sent(pictures.logos(), picture, "That logo is not there any more.");
  }

  @GetMapping(path = "/backdrops/{picture}", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<FileSystemResource> backdrop(@PathVariable String picture) {
    return sent(pictures.backdrops(), picture, "That backdrop is not there any more.");
  }

  private static ResponseEntity<FileSystemResource> sent(
      KeptPictures kept, String picture, String missing) {
    Path file = kept.file(picture).orElseThrow(() -> new NotThere(missing));
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(KEPT).cachePrivate().immutable())
        .body(new FileSystemResource(file));
  }
}
