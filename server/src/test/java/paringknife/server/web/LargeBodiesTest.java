package paringknife.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;

/** Bodies larger than anybody needs are refused with a word, and everything else goes on. */
class LargeBodiesTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static HttpResponse<String> post(String path, byte[] body, boolean chunked)
      throws Exception {
    return APP.send(
        HttpRequest.newBuilder()
            .uri(URI.create(APP.address() + path))
            .header("Content-Type", "application/json")
            .POST(
                chunked
                    ? HttpRequest.BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(body))
                    : HttpRequest.BodyPublishers.ofByteArray(body)));
  }

  private static byte[] text(String before, int letters, String after) {
    return (before + "x".repeat(letters) + after).getBytes(StandardCharsets.UTF_8);
  }

  /** Fifty megabytes of one line once took the request threads down. */
  @Test
  void aTextOfOneEndlessLineIsRefused() throws Exception {
    byte[] body = text("{\"text\":\"", 50_000_000, "\"}");
    assertThat(statusOf("/api/episodes/1/transcript-text", body, true)).isIn(413, -1);
    byte[] shorter = text("{\"text\":\"", 6_000_000, "\"}");
    HttpResponse<String> refused = post("/api/episodes/1/transcript-text", shorter, false);
    assertThat(refused.statusCode()).isEqualTo(422);
    assertThat(refused.body()).contains("more than 500 letters");
    assertThat(APP.get("/api/shelf")).hasSize(1);
  }

  @Test
  void tenLargeOnesAtATimeAreNotReadIntoMemory() throws Exception {
    byte[] body = text("{\"parentId\":null,\"name\":\"", 30_000_000, "\"}");
    ExecutorService clients = Executors.newFixedThreadPool(10);
    List<Callable<Integer>> all = new ArrayList<>();
    for (int i = 0; i < 10; i++) {
      boolean chunked = i % 2 == 0;
      all.add(() -> statusOf("/api/shelves", body, chunked));
    }
    for (Future<Integer> status : clients.invokeAll(all)) {
      assertThat(status.get()).isIn(413, -1);
    }
    clients.shutdown();
    assertThat(APP.get("/api/shelves")).isEmpty();
  }

  /** Whoever goes on sending after the refusal is cut off. */
  private static int statusOf(String path, byte[] body, boolean chunked) throws Exception {
    try {
      return post(path, body, chunked).statusCode();
    } catch (IOException e) {
      return -1;
    }
  }

  @Test
  void whatTomcatRefusesItselfHasTheHeadersToo() throws Exception {
    URI address = URI.create(APP.address());
    try (Socket socket = new Socket(address.getHost(), address.getPort())) {
      OutputStream out = socket.getOutputStream();
      out.write(
          "GET /api/%2Fshelf HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n"
              .getBytes(StandardCharsets.US_ASCII));
      String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(answer)
          .startsWith("HTTP/1.1 400")
          .contains("Content-Security-Policy: default-src 'none'")
          .contains("X-Content-Type-Options: nosniff")
          .contains("{\"message\":")
          .doesNotContain("Tomcat");
    }
  }
}
