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
import paringknife.media.store.LogoPictures;
import paringknife.media.store.StylePictures;
import paringknife.server.web.NotThere;

/** Pictures that can stand in films as logos, over HTTP. */
@RestController
@RequestMapping("/api/logos")
class LogoController {
  private static final Duration KEPT = Duration.ofDays(365);

  private final LogoPictures logos;

  LogoController(StylePictures pictures) {
    this.logos = pictures.logos();
  }

  /**
   * A picture that was kept.
   *
   * @param aspect its width for one of its height
   */
  record LogoKept(String picture, double aspect) {}

  /** Keeps a PNG or JPEG picture. */
  @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  LogoKept add(@RequestBody byte[] picture) {
    KeptPicture kept = logos.add(picture);
    return new LogoKept(kept.id(), kept.aspect());
  }

  @GetMapping(path = "/{picture}", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<FileSystemResource> picture(@PathVariable String picture) {
    Path file =
        logos.file(picture).orElseThrow(() -> new NotThere("That logo is not there any more."));
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(KEPT).cachePrivate().immutable())
        .body(new FileSystemResource(file));
  }
}
