package paringknife.server.commands;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.ServerSocket;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Option;

/** Where guests of proof links come in. */
final class GuestOptions {
  private static final int MOST = 65_535;

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

  /**
   * The application's settings of it.
   *
   * @throws IllegalArgumentException when guests cannot be let in so
   */
  Map<String, Object> settings(int ownPort) {
    if (port < 0 || port > MOST) {
      throw new IllegalArgumentException("There is no port " + port + ".");
    }
    if (!url.isEmpty() && !url.matches("https?://[^\\s/]{1,300}/?")) {
      throw new IllegalArgumentException("--guest-url is written like https://clips.example");
    }
    if (port > 0) {
      refuseClosed(ownPort);
    }
    Map<String, Object> settings = new HashMap<>();
    settings.put("paring-knife.guests.port", Integer.toString(port));
    settings.put("paring-knife.guests.address", address);
    settings.put("paring-knife.guests.url", linksBeginWith());
    return settings;
  }

  private void refuseClosed(int ownPort) {
    if (port == ownPort) {
      throw new IllegalArgumentException("Guests need a port of their own: --guest-port.");
    }
    if (address.isBlank()) {
      throw new IllegalArgumentException("--guest-address is no address of this machine.");
    }
    try (ServerSocket probe = new ServerSocket()) {
      probe.setReuseAddress(true);
      probe.bind(new InetSocketAddress(InetAddress.getByName(address), port));
    } catch (IOException e) {
      throw new IllegalArgumentException(
          "Guests cannot be let in on port "
              + port
              + " of "
              + address
              + ": that is taken by another program, or no address of this machine.");
    }
  }

  private String linksBeginWith() {
    if (port == 0 || !url.isEmpty()) {
      return url;
    }
    return reached().map(host -> "http://" + host + ":" + port).orElse("");
  }

  /** The address by which others in the same network reach this machine; empty for none. */
  private Optional<String> reached() {
    try {
      if (!InetAddress.getByName(address).isAnyLocalAddress()) {
        return Optional.of(address);
      }
      return NetworkInterface.networkInterfaces()
          .flatMap(NetworkInterface::inetAddresses)
          .filter(a -> a instanceof Inet4Address && !a.isLoopbackAddress())
          .map(InetAddress::getHostAddress)
          .findFirst();
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  /** What there is to say of it; empty where no guests come. */
  Optional<String> told() {
    return port == 0
        ? Optional.empty()
        : Optional.of(
            "Guests of proof links are let in on port " + port + ", by " + linksBeginWith());
  }
}
