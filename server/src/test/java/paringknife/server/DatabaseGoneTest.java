package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The database is killed, and everything goes on by itself. */
class DatabaseGoneTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  @Test
  void itIsBroughtBackAndNoAcknowledgedEditIsLost() throws Exception {
    long clip =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":9,\"title\":\"Ice\"}")
            .path("id")
            .asLong();
    for (int round = 0; round < 3; round++) {
      int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
      APP.post("/api/clips/" + clip + "/changes", rename(revision, "Before " + round));
      long killed = APP.server().databasePid();
      ProcessHandle.of(killed).orElseThrow().destroyForcibly();
      HttpResponse<String> meanwhile = untilRefused(clip, revision + 1);
      if (meanwhile.statusCode() != 200) {
        assertThat(meanwhile.statusCode()).isEqualTo(503);
        assertThat(meanwhile.body()).contains("The database does not answer");
      }
      awaitDatabase(killed);
      assertThat(APP.get("/api/clips/" + clip).path("delivered").path("title").asString())
          .isIn("Before " + round, "Meanwhile");
      assertThat(APP.get("/api/shelf")).hasSize(1);
    }
  }

  private static String rename(int revision, String title) {
    return "{\"revision\":"
        + revision
        + ",\"intent\":{\"type\":\"rename\",\"title\":\""
        + title
        + "\"}}";
  }

  /** The first answer that is no success, or the last one where the database was back too soon. */
  private static HttpResponse<String> untilRefused(long clip, int revision) throws Exception {
    return APP.postAny("/api/clips/" + clip + "/changes", rename(revision, "Meanwhile"));
  }

  private static void awaitDatabase(long killed) throws Exception {
    for (int i = 0; i < 600; i++) {
      boolean isNew = APP.server().databasePid() != killed;
      if (isNew
          && APP.send(
                      java.net.http.HttpRequest.newBuilder()
                          .uri(java.net.URI.create(APP.address() + "/api/shelf"))
                          .GET())
                  .statusCode()
              == 200) {
        return;
      }
      Thread.sleep(100);
    }
    throw new IllegalStateException("the database did not come back");
  }
}
