package paringknife.server.commands;

import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** Where guests of proof links come in. */
final class GuestOptions {
  @Option(
      names = "--guest-port",
      description = "a port for guests of proof links, who get nothing else there; none by default")
  private int port;

  @Option(
      names = "--guest-address",
      defaultValue = "0.0.0.0",
      description = "the address of this machine that it listens on; all by default")
  private String address = "0.0.0.0";

  @Option(
      names = "--guest-url",
      defaultValue = "",
      description =
          "what links begin with, as guests reach that port: https://clips.example; by default this"
              + " machine's address")
  private String url = "";

  private @Nullable OpenDoor door;

  /**
   * The application's settings of it.
   *
   * @throws IllegalArgumentException when guests cannot be let in so
   */
  Map<String, Object> settings(int ownPort) {
    if (port > 0 && port == ownPort) {
      throw new IllegalArgumentException("Guests need a port of their own: --guest-port.");
    }
    return door().settings();
  }

  /** Looked at once: when the application runs, the port is taken, by itself. */
  private OpenDoor door() {
    if (door == null) {
      door = new OpenDoor("guest", port, address, url);
    }
    return door;
  }

  int port() {
    return port;
  }

  /** What there is to say of it; empty where no guests come. */
  Optional<String> told() {
    return port == 0
        ? Optional.empty()
        : Optional.of(
            "Guests of proof links are let in on port "
                + port
                + ", by "
                + door().addressesBeginWith());
  }
}
