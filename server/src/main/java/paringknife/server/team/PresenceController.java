package paringknife.server.team;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Who has which clip open, over HTTP. */
@RestController
class PresenceController {
  private final Presence presence;

  PresenceController(Presence presence) {
    this.presence = presence;
  }

  /**
   * What a window shows.
   *
   * @param window what it calls itself
   * @param episodeId null when it is closed, or shows no episode
   */
  record WindowShown(
      @Schema(maxLength = 40) String window, @Nullable Long episodeId, @Nullable Long clipId) {}

  @GetMapping("/api/presence")
  List<Presence.Present> all() {
    return presence.all();
  }

  @PostMapping("/api/presence")
  void note(
      @RequestBody WindowShown shown,
      @Parameter(hidden = true) @AuthenticationPrincipal @Nullable Account account) {
    Long episode = shown.episodeId();
    String name = account == null ? null : account.name();
    String window = (name == null ? "" : name) + "/" + shown.window();
    if (episode == null) {
      presence.left(window);
    } else {
      presence.note(new Presence.Present(window, name, episode, shown.clipId()));
    }
  }
}
