package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CopyOnWriteArrayList;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.server.database.MariaDbProcess;
import paringknife.server.database.OutsideDatabase;
import picocli.CommandLine;

/** A server whose database somebody else runs. */
class OutsideDatabaseTest {
  @TempDir Path folder;

  private @Nullable MariaDbProcess elsewhere;

  @AfterEach
  void stopIt() {
    if (elsewhere != null) {
      elsewhere.close();
    }
  }

  private static String bare(MariaDbProcess.Access access) {
    return "jdbc:mariadb://127.0.0.1:" + access.port() + "/" + access.name();
  }

  private static int status(RunningServer server, String path) throws Exception {
    HttpRequest request = HttpRequest.newBuilder(URI.create(server.address() + path)).build();
    return HttpClient.newHttpClient()
        .send(request, HttpResponse.BodyHandlers.discarding())
        .statusCode();
  }

  private RunningServer serving(Path data, MariaDbProcess.Access access) {
    return RunningServer.start(data, folder, 0, () -> at(access), Map.of());
  }

  private OutsideDatabase at(MariaDbProcess.Access access) {
    return OutsideDatabase.at(bare(access), access.userName(), access.password());
  }

  private static void await(Callable<Boolean> holds) throws Exception {
    for (int i = 0; i < 600 && !holds.call(); i++) {
      Thread.sleep(100);
    }
  }

  /** It works with it, says when it is gone, goes on when it is back, and leaves it running. */
  @Test
  void itIsWorkedWithAndLeftAsItIs() throws Exception {
    Path data = Files.createDirectory(folder.resolve("data"));
    Path place = folder.resolve("elsewhere");
    elsewhere = MariaDbProcess.start(place, 0);
    MariaDbProcess.Access access = elsewhere.access();
    List<Boolean> told = new CopyOnWriteArrayList<>();
    try (OutsideDatabase watched = at(access);
        RunningServer server = serving(data, access)) {
      watched.onChange(told::add);
      assertThat(status(server, "/api/shelf")).isEqualTo(200);
      assertThat(data.resolve("mariadb")).doesNotExist();
      elsewhere.close();
      await(() -> told.equals(List.of(false)));
      assertThat(told).containsExactly(false);
      assertThat(status(server, "/api/shelf")).isEqualTo(503);
      elsewhere = MariaDbProcess.start(place, 0);
      await(() -> told.equals(List.of(false, true)));
      assertThat(told).containsExactly(false, true);
      await(() -> status(server, "/api/shelf") == 200);
      assertThat(status(server, "/api/shelf")).isEqualTo(200);
    }
    try (OutsideDatabase still = at(access)) {
      assertThat(still.url()).startsWith(bare(access));
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "127.0.0.1:3306",
        "jdbc:mysql://127.0.0.1/x",
        "jdbc:mariadb://127.0.0.1",
        "jdbc:mariadb://127.0.0.1:1/nothing?password=secret"
      })
  void whatIsNoDatabaseIsRefusedWithAWord(String url) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> OutsideDatabase.at(url, "paring", ""))
        .satisfies(e -> assertThat(e.getMessage()).contains("database").doesNotContain("secret"));
  }

  /** Data never get two databases, one here and one elsewhere. */
  @Test
  void aFolderStaysWithTheDatabaseThatItHas() throws Exception {
    Path outside = Files.createDirectory(folder.resolve("outside"));
    Files.createFile(outside.resolve(BackedUpFolders.OUTSIDE));
    DatabaseOptions none = CommandLine.populateCommand(new DatabaseOptions());
    assertThatIllegalArgumentException()
        .isThrownBy(() -> none.open(outside))
        .withMessageContaining("runs elsewhere");
    Path own = folder.resolve("own");
    Files.createDirectories(own.resolve("mariadb"));
    DatabaseOptions given =
        CommandLine.populateCommand(
            new DatabaseOptions(), "--database", "jdbc:mariadb://127.0.0.1:1/x");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> given.open(own))
        .withMessageContaining("database of its own");
  }
}
