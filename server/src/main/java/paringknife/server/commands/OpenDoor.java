package paringknife.server.commands;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.ServerSocket;
import java.util.Map;
import java.util.Optional;

/**
 * A port that other machines may reach, as it was asked for.
 *
 * @param who comes in by it: guests, team
 * @param port 0 for none
 * @param address of this machine, on which it listens
 * @param url what addresses begin with as others reach it; empty for this machine's own
 */
record OpenDoor(String who, int port, String address, String url) {
  private static final int MOST = 65_535;

  /**
   * Looks whether it can be opened.
   *
   * @throws IllegalArgumentException when it cannot
   */
  OpenDoor {
    if (port < 0 || port > MOST) {
      throw new IllegalArgumentException("There is no port " + port + ".");
    }
    if (!url.isEmpty() && !url.matches("https?://[^\\s/]{1,300}/?")) {
      throw new IllegalArgumentException("--" + who + "-url is written like https://clips.example");
    }
    if (port > 0) {
      refuseClosed(who, port, address);
    }
  }

  private static void refuseClosed(String who, int port, String address) {
    if (address.isBlank()) {
      throw new IllegalArgumentException("--" + who + "-address is no address of this machine.");
    }
    try (ServerSocket probe = new ServerSocket()) {
      probe.setReuseAddress(true);
      probe.bind(new InetSocketAddress(InetAddress.getByName(address), port));
    } catch (IOException e) {
      throw new IllegalArgumentException(
          "Nobody can be let in on port "
              + port
              + " of "
              + address
              + " (--"
              + who
              + "-port): that is taken by another program, or no address of this machine.");
    }
  }

  /** The application's settings of it. */
  Map<String, Object> settings() {
    String name = "paring-knife." + who;
    return Map.of(
        name + ".port",
        Integer.toString(port),
        name + ".address",
        address,
        name + ".url",
        addressesBeginWith());
  }

  String addressesBeginWith() {
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
}
