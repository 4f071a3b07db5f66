package paringknife.server.team;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.server.events.Events;
import paringknife.server.events.SignedOut;

/**
 * Who has which clip open: what every window says of itself when it opens another, and again and
 * again so that one which was closed is forgotten.
 */
@Component
class Presence {
  static final Duration HOLDS = Duration.ofSeconds(45);

  /** Windows; more than work here at once. */
  private static final int MOST = 200;

  private final Events events;
  private final Map<String, Seen> windows = new LinkedHashMap<>();

  Presence(Events events) {
    this.events = events;
  }

  private record Seen(Present present, Instant at) {}

  /**
   * A window.
   *
   * @param window what it calls itself
   * @param name who looks at it; null at this machine
   * @param clipId null where an episode is open and no clip of it
   */
  record Present(String window, @Nullable String name, long episodeId, @Nullable Long clipId) {}

  /** Notes what a window shows. */
  synchronized void note(Present present) {
    Seen before = windows.get(present.window());
    if (before == null && windows.size() >= MOST) {
      windows.remove(windows.keySet().iterator().next());
    }
    windows.put(present.window(), new Seen(present, Instant.now()));
    if (before == null || !before.present().equals(present)) {
      tell();
    }
  }

  synchronized void left(String window) {
    if (windows.remove(window) != null) {
      tell();
    }
  }

  synchronized List<Present> all() {
    List<Present> present = new ArrayList<>();
    windows.values().forEach(s -> present.add(s.present()));
    return present;
  }

  @EventListener
  synchronized void signedOut(SignedOut who) {
    if (windows.values().removeIf(s -> who.name().equals(s.present().name()))) {
      tell();
    }
  }

  @Scheduled(fixedDelay = 5_000)
  synchronized void forgetClosed() {
    Instant since = Instant.now().minus(HOLDS);
    if (windows.values().removeIf(s -> s.at().isBefore(since))) {
      tell();
    }
  }

  private void tell() {
    events.send("presence", all());
  }
}
