package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.Map;
import org.junit.jupiter.api.Test;
import picocli.CommandLine;

/** Guests are let in where they were meant to be, or the server does not start. */
class GuestOptionsTest {
  private static final int OWN_PORT = 8080;

  private static Map<String, Object> settings(String... arguments) {
    return CommandLine.populateCommand(new GuestOptions(), arguments).settings(OWN_PORT);
  }

  private static void refused(String because, String... arguments) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> settings(arguments))
        .withMessageContaining(because);
  }

  private static String freePort() throws Exception {
    try (ServerSocket socket = new ServerSocket(0)) {
      return Integer.toString(socket.getLocalPort());
    }
  }

  @Test
  void nobodyIsLetInUnlessAskedFor() {
    assertThat(settings()).containsEntry("paring-knife.guest.port", "0");
    assertThat(settings()).containsEntry("paring-knife.guest.url", "");
  }

  @Test
  void linksBeginWithWhatGuestsReach() throws Exception {
    String port = freePort();
    assertThat(settings("--guest-port", port, "--guest-url", "https://clips.example"))
        .containsEntry("paring-knife.guest.url", "https://clips.example");
    assertThat(settings("--guest-port", port, "--guest-address", "127.0.0.1"))
        .containsEntry("paring-knife.guest.url", "http://127.0.0.1:" + port);
  }

  @Test
  void whereNobodyCanBeLetInIsSaidAtOnce() throws Exception {
    refused("a port of their own", "--guest-port", "8080");
    refused("no port 70000", "--guest-port", "70000");
    refused("no port -1", "--guest-port", "-1");
    refused("written like", "--guest-url", "clips.example");
    refused("written like", "--guest-url", "https://clips.example/a/b");
    // RFC 5737 keeps this network for examples: no machine has an address of it.
    refused("no address", "--guest-port", freePort(), "--guest-address", "192.0.2.1");
    refused("no address", "--guest-port", freePort(), "--guest-address", "");
    try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getByName("127.0.0.1"))) {
      String port = Integer.toString(taken.getLocalPort());
      refused("another program", "--guest-port", port, "--guest-address", "127.0.0.1");
    }
  }
}
