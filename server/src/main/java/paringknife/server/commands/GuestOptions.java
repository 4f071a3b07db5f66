package paringknife.server.commands;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
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
      description = "what links begin with, as guests reach that port: https://clips.example")
  private String url = "";

  Map<String, Object> settings() {
    if (port < 0 || port > 65_535) {
      throw new IllegalArgumentException("There is no port " + port + ".");
    }
    if (!url.isEmpty() && !url.matches("https?://[^\\s/]{1,300}/?")) {
      throw new IllegalArgumentException("--guest-url is written like https://clips.example");
    }
    Map<String, Object> settings = new HashMap<>();
    settings.put("paring-knife.guests.port", Integer.toString(port));
    settings.put("paring-knife.guests.address", address);
    settings.put("paring-knife.guests.url", url);
    return settings;
  }

  /** What there is to say of it; empty where no guests come. */
  Optional<String> told() {
    return port == 0
        ? Optional.empty()
        : Optional.of("Guests of proof links are let in on port " + port + ".");
  }
}
