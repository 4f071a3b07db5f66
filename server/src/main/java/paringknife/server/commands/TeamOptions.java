package paringknife.server.commands;

import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** Where those come in who work here from other machines. */
final class TeamOptions {
  @Option(
      names = "--team-port",
      description =
          "a port for those who work here from other machines, and sign in; none by default")
  private int port;

  @Option(
      names = "--team-address",
      defaultValue = "0.0.0.0",
      description = "the address of this machine that it listens on; all by default")
  private String address = "0.0.0.0";

  @Option(
      names = "--team-url",
      defaultValue = "",
      description =
          "what they reach it by, through a proxy that encrypts: https://knife.example; by default"
              + " this machine's address")
  private String url = "";

  private @Nullable OpenDoor door;

  /**
   * The application's settings of it.
   *
   * @param others ports that are in use here
   * @throws IllegalArgumentException when nobody can be let in so
   */
  Map<String, Object> settings(int... others) {
    for (int other : others) {
      if (port > 0 && port == other) {
        throw new IllegalArgumentException("The team needs a port of its own: --team-port.");
      }
    }
    return door().settings();
  }

  /** Looked at once: when the application runs, the port is taken, by itself. */
  private OpenDoor door() {
    if (door == null) {
      door = new OpenDoor("team", port, address, url);
    }
    return door;
  }

  boolean isAsked() {
    return port > 0;
  }

  /**
   * What there is to say of it; empty where nobody comes.
   *
   * @param firstOwner what the first owner's invitation ends with; empty where there is one
   */
  Optional<String> told(Optional<String> firstOwner) {
    if (port == 0) {
      return Optional.empty();
    }
    String by = door().addressesBeginWith();
    String told = "Your team signs in on port " + port + ", by " + by;
    if (by.startsWith("http:")) {
      told += "\nThat is not encrypted: in a network that others use too, put a proxy before it.";
    }
    return Optional.of(
        told
            + firstOwner
                .map(
                    t ->
                        "\nNobody can sign in yet. The first owner begins here, once: "
                            + by
                            + "/welcome/"
                            + t)
                .orElse(""));
  }
}
