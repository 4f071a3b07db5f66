package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.events.Events;

/** The stream of server-sent events (WHATWG HTML, 9.2), with a listener that never reads. */
class EventsTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final int EVENTS = 60_000;
  private static final int SMALLEST_BUFFER = 1_024;

  /** A listener who has read that it is being told. */
  private static BufferedReader listening(Socket socket) throws Exception {
    URI address = URI.create(APP.address());
    socket.setReceiveBufferSize(SMALLEST_BUFFER);
    socket.connect(new InetSocketAddress(address.getHost(), address.getPort()));
    String request = "GET /api/events HTTP/1.1\r\nHost: %s\r\nAccept: text/event-stream\r\n\r\n";
    socket
        .getOutputStream()
        .write(request.formatted(address.getAuthority()).getBytes(StandardCharsets.US_ASCII));
    BufferedReader read =
        new BufferedReader(
            new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8),
            SMALLEST_BUFFER);
    while (!read.readLine().isEmpty()) {
      assertThat(socket.isConnected()).isTrue();
    }
    return read;
  }

  /** Were whoever tells held up by a listener, this would never end. */
  @Test
  @Timeout(value = 5, unit = TimeUnit.MINUTES)
  void whoeverDoesNotReadHoldsUpNobody() throws Exception {
    Events events = APP.part(Events.class);
    try (Socket deaf = new Socket();
        Socket keen = new Socket()) {
      listening(deaf);
      for (int i = 1; i <= EVENTS; i++) {
        events.clipChanged(1, 1, i);
      }
      APP.post(
          "/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":5,\"title\":\"Made meanwhile\"}");
      BufferedReader read = listening(keen);
      events.clipChanged(7, 8, 9);
      String line = read.readLine();
      while (!line.contains("\"clipId\":8")) {
        line = read.readLine();
        assertThat(line).as("the stream goes on").isNotNull();
      }
    }
  }
}
