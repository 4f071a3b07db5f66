package paringknife.server.watch;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.Check;
import paringknife.core.proof.ProofCopy;
import paringknife.server.deliver.RenderState;
import paringknife.server.deliver.RenderingStore;
import tools.jackson.databind.json.JsonMapper;

/** One notice a batch; signed as the Standard Webhooks specification 1.0.0 has it. */
class DoneNoticeTest {
  private static final String SECRET = "a secret of the owner's";

  private record Heard(String id, String timestamp, String signature, String text) {}

  private static RenderingStore.Row row(long id, RenderState state) {
    return row(id, state, "wide");
  }

  private static RenderingStore.Row row(
      long id, RenderState state, String spec, Check... measured) {
    return new RenderingStore.Row(
        id, 1, spec, 1, null, "mp4", "", state, 0, null, "", 0, List.of(measured), 0, null, null);
  }

  @Test
  void whatIsNotRightIsNotCountedAmongWhatIsReady() {
    Batch batch = new Batch();
    batch.look(List.of(row(1, RenderState.WAITING), row(2, RenderState.WAITING)));
    Check silent = new Check("sound", Check.Verdict.FAILS, "all of it is silent", null);
    assertThat(
            batch.look(List.of(row(1, RenderState.DONE), row(2, RenderState.DONE, "wide", silent))))
        .isEqualTo(Optional.of(new Batch.Done(1, 1, 0)));
  }

  @Test
  void aBatchIsToldOnceWhenNothingOfItIsUnderWay() {
    Batch batch = new Batch();
    assertThat(batch.look(List.of(row(1, RenderState.DONE)))).as("made before").isEmpty();
    assertThat(batch.look(List.of(row(1, RenderState.DONE), row(2, RenderState.WAITING))))
        .isEmpty();
    assertThat(batch.look(List.of(row(2, RenderState.DONE), row(3, RenderState.RENDERING))))
        .isEmpty();
    assertThat(batch.look(List.of(row(2, RenderState.DONE), row(3, RenderState.FAILED))))
        .isEqualTo(Optional.of(new Batch.Done(1, 0, 1)));
    assertThat(batch.look(List.of(row(2, RenderState.DONE), row(3, RenderState.FAILED)))).isEmpty();
    assertThat(batch.look(List.of(row(5, RenderState.RENDERING, ProofCopy.ID)))).isEmpty();
    assertThat(batch.look(List.of(row(5, RenderState.DONE, ProofCopy.ID))))
        .as("only shown")
        .isEmpty();
    assertThat(batch.look(List.of(row(4, RenderState.WAITING)))).isEmpty();
    assertThat(batch.look(List.of(row(4, RenderState.CANCELLED))))
        .as("nothing came of it")
        .isEmpty();
  }

  @Test
  void itIsSignedAndTriedAgainUntilItIsHeard() throws Exception {
    LinkedBlockingQueue<Heard> heard = new LinkedBlockingQueue<>();
    List<Integer> answers = new ArrayList<>(List.of(500, 204));
    HttpServer desk =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    desk.createContext(
        "/done",
        exchange -> {
          String text =
              new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
          heard.add(
              new Heard(
                  exchange.getRequestHeaders().getFirst("webhook-id"),
                  exchange.getRequestHeaders().getFirst("webhook-timestamp"),
                  exchange.getRequestHeaders().getFirst("webhook-signature"),
                  text));
          exchange.sendResponseHeaders(answers.remove(0), -1);
          exchange.close();
        });
    desk.start();
    DoneNotice notice =
        new DoneNotice(
            "http://127.0.0.1:" + desk.getAddress().getPort() + "/done", SECRET, new JsonMapper());
    try {
      notice.tell(new Batch.Done(11, 2, 1));
      Heard first = heard.poll(30, TimeUnit.SECONDS);
      Heard second = heard.poll(30, TimeUnit.SECONDS);
      assertThat(first).isNotNull();
      assertThat(second).as("tried again, as the same message").isEqualTo(first);
      assertThat(second.text()).contains("\"finished\":11", "\"wrong\":2", "\"failed\":1");
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(new SecretKeySpec(SECRET.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
      String signed = first.id() + "." + first.timestamp() + "." + first.text();
      assertThat(first.signature())
          .isEqualTo(
              "v1,"
                  + Base64.getEncoder()
                      .encodeToString(mac.doFinal(signed.getBytes(StandardCharsets.UTF_8))));
    } finally {
      notice.destroy();
      desk.stop(0);
    }
  }

  @Test
  void nobodyIsToldWhereNoAddressIsSet() {
    DoneNotice notice = new DoneNotice("", "", new JsonMapper());
    notice.tell(new Batch.Done(1, 0, 0));
    notice.destroy();
  }
}
