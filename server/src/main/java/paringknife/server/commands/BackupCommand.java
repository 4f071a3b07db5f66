package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import paringknife.server.backup.Backup;
import paringknife.server.database.MariaDbProcess;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Everything into one file, while a server runs or not. */
@Command(
    name = "backup",
    description = "Writes everything into one file, while the server runs or not.")
final class BackupCommand implements Callable<Integer> {
  @Mixin private BackedUpFolders folders = new BackedUpFolders();

  @Option(names = "--with-media", description = "the episodes' recordings too")
  private boolean withMedia;

  @Parameters(paramLabel = "FILE", description = "the file to write, a ZIP")
  private Path file;

  @Override
  public Integer call() throws IOException {
    Path database = folders.data().resolve("mariadb");
    if (Files.exists(folders.data().resolve(BackedUpFolders.OUTSIDE))) {
      throw new IllegalArgumentException(
          "The database of "
              + folders.data()
              + " runs elsewhere: back it up there, and copy this folder.");
    }
    if (!Files.isDirectory(database)) {
      throw new IllegalArgumentException(
          "There is nothing of Paring Knife in " + folders.data() + ".");
    }
    Backup backup = new Backup(folders.data(), folders.media(), withMedia);
    Optional<MariaDbProcess.Access> running = MariaDbProcess.running(database);
    tell(running.isPresent() ? backup.write(running.get(), file) : whileNothingRuns(backup));
    return 0;
  }

  private Backup.Written whileNothingRuns(Backup backup) throws IOException {
    DataLock lock = DataLock.take(folders.data().toAbsolutePath());
    try (lock;
        MariaDbProcess database = MariaDbProcess.start(folders.data().resolve("mariadb"), 0)) {
      return backup.write(database.access(), file);
    }
  }

  private void tell(Backup.Written written) {
    String recordings =
        withMedia ? "and " + written.recordings() + " recordings." : "but no recordings.";
    System.out.println(
        file + " holds the database, " + written.files() + " files of the data " + recordings);
    written.gone().forEach(gone -> System.out.println("This recording was not there: " + gone));
  }
}
