package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import paringknife.server.episodes.EpisodeSource;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.team.Team;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Starts the database and the application and stays until stopped. */
@Command(name = "serve", description = "Start the application; stop it with Ctrl-C.")
final class ServeCommand implements Callable<Integer> {
  @Option(names = "--data", defaultValue = "data", description = "where everything is kept")
  private Path data = Path.of("data");

  @Option(
      names = "--media",
      description = "folder from which recordings can be chosen; default DATA/media")
  private Path media;

  @Option(
      names = "--out",
      description = "folder that finished files can be put into; default DATA/delivered")
  private Path out;

  @Option(names = "--port", defaultValue = "8080")
  private int port;

  @Mixin private DatabaseOptions database = new DatabaseOptions();
  @Mixin private GuestOptions guests = new GuestOptions();
  @Mixin private TeamOptions team = new TeamOptions();
  @Mixin private NoticeOptions notice = new NoticeOptions();

  @Option(
      names = "--shelve",
      description = "put the episodes described in this folder on the shelf")
  private Path shelve;

  @Override
  public Integer call() throws IOException, InterruptedException {
    Path folder = media == null ? data.resolve("media") : media;
    Files.createDirectories(folder);
    Map<String, Object> settings = new HashMap<>(guests.settings(port));
    settings.putAll(team.settings(port, guests.port()));
    settings.putAll(notice.settings());
    if (out != null) {
      settings.put("paring-knife.out", out.toAbsolutePath().toString());
    }
    Stopping stopping = new Stopping();
    RunningServer server =
        stopping.of(
            RunningServer.start(
                data.toAbsolutePath(),
                folder.toAbsolutePath(),
                port,
                () -> database.open(data.toAbsolutePath()),
                settings));
    if (shelve != null) {
      shelveAll(server);
    }
    System.out.println("Paring Knife is ready: " + server.address());
    guests.told().ifPresent(System.out::println);
    if (team.isAsked()) {
      team.told(server.part(Team.class).firstOwner()).ifPresent(System.out::println);
    }
    System.out.flush();
    stopping.await();
    return 0;
  }

  private void shelveAll(RunningServer server) throws IOException {
    Episodes episodes = server.part(Episodes.class);
    EpisodeStore store = server.part(EpisodeStore.class);
    for (Path manifest : manifests(shelve)) {
      EpisodeSource source = EpisodeSource.read(manifest);
      if (store.bySource(source.camera()).isEmpty()) {
        episodes.add(source);
      }
    }
  }

  private static List<Path> manifests(Path folder) throws IOException {
    try (Stream<Path> found = Files.walk(folder.toAbsolutePath(), 2)) {
      return found
          .filter(f -> f.getFileName().toString().equals("episode.json"))
          .sorted(java.util.Comparator.reverseOrder())
          .toList();
    }
  }
}
