package paringknife.server.watch;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Tells an address of the owner's that a batch is done, signed as the Standard Webhooks
 * specification 1.0.0 has it: HMAC-SHA256 over the message's id, its time and its text. Nobody is
 * told where no address is set.
 */
@Component
@ConditionalOnWebApplication
class DoneNotice implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(DoneNotice.class);
  private static final Duration PATIENCE = Duration.ofSeconds(10);

  /** Between tries, the last of which is the fourth. */
  private static final Duration[] TRY_AGAIN = {
    Duration.ofSeconds(2), Duration.ofSeconds(15), Duration.ofSeconds(60)
  };

  private final String url;
  private final String secret;
  private final JsonMapper json;
  private final ExecutorService teller =
      Executors.newSingleThreadExecutor(
          work -> {
            Thread thread = new Thread(work, "done-notice");
            thread.setDaemon(true);
            return thread;
          });

  DoneNotice(
      @Value("${paring-knife.notice.url:}") String url,
      @Value("${paring-knife.notice.secret:}") String secret,
      JsonMapper json) {
    this.url = url;
    this.secret = secret;
    this.json = json;
  }

  /** Tells it in the background; whoever calls goes on at once. */
  void tell(Batch.Done done) {
    if (!url.isEmpty()) {
      teller.execute(() -> tellUntilHeard(done));
    }
  }

  private void tellUntilHeard(Batch.Done done) {
    String id = "msg_" + UUID.randomUUID();
    Instant at = Instant.now();
    String text =
        json.writeValueAsString(
            Map.of(
                "type",
                "batch.done",
                "timestamp",
                at.toString(),
                "data",
                Map.of(
                    "finished", done.finished(), "wrong", done.wrong(), "failed", done.failed())));
    try {
      for (int tries = 0; !isHeard(id, at, text); tries++) {
        if (tries == TRY_AGAIN.length) {
          LOG.warn("nobody took the notice that a batch is done");
          return;
        }
        Thread.sleep(TRY_AGAIN[tries].toMillis());
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private boolean isHeard(String id, Instant at, String text) throws InterruptedException {
    String seconds = Long.toString(at.getEpochSecond());
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(url))
            .timeout(PATIENCE)
            .header("Content-Type", "application/json")
            .header("webhook-id", id)
            .header("webhook-timestamp", seconds)
            .header("webhook-signature", "v1," + signed(secret, id + "." + seconds + "." + text))
            .POST(HttpRequest.BodyPublishers.ofString(text))
            .build();
    try {
      HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
      int status = client.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
      return status / 100 == 2;
    } catch (IOException e) {
      return false;
    }
  }

  private static String signed(String secret, String text) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
      return Base64.getEncoder().encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  @Override
  public void destroy() {
    teller.shutdownNow();
  }
}
