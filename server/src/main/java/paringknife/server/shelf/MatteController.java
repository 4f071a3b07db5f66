package paringknife.server.shelf;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import paringknife.media.matte.Mattes;
import paringknife.server.episodes.Episode;
import paringknife.server.web.NotThere;

/** What of an episode's pictures people are, over HTTP. */
@RestController
class MatteController {
  private final Episodes episodes;
  private final MatteWork work;

  MatteController(Episodes episodes, MatteWork work) {
    this.episodes = episodes;
    this.work = work;
  }

  /**
   * The mattes of the nth stretch of {@link Mattes#framesOfAStretch} frames, gzip of what {@link
   * Mattes} says; 202 while they are being made.
   */
  @GetMapping(path = "/api/episodes/{id}/mattes/{number}", produces = "application/gzip")
  @ApiResponse(
      responseCode = "200",
      content =
          @Content(
              mediaType = "application/gzip",
              schema = @Schema(type = "string", format = "binary")))
  @ApiResponse(responseCode = "202", content = @Content)
  ResponseEntity<FileSystemResource> mattes(@PathVariable long id, @PathVariable long number) {
    Episode episode = episodes.open(id);
    long frames = episode.rate().nearestFrame(episode.recording().durationUs());
    if (number < 0 || number > frames / Mattes.framesOfAStretch(episode.rate())) {
      throw new NotThere("That is not within the episode.");
    }
    Optional<Path> made = work.ask(episode.mattes(), number);
    if (made.isEmpty()) {
      return ResponseEntity.accepted()
          .cacheControl(CacheControl.noStore())
          .header("Retry-After", "1")
          .build();
    }
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(1, TimeUnit.HOURS).cachePrivate())
        .contentType(MediaType.parseMediaType("application/gzip"))
        .body(new FileSystemResource(made.get()));
  }
}
