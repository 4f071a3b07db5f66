package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import paringknife.server.backup.Restore;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/** Everything back from one file. */
@Command(
    name = "restore",
    description = "Brings everything back from a backup, into a folder of data that is new.")
final class RestoreCommand implements Callable<Integer> {
  @Mixin private BackedUpFolders folders = new BackedUpFolders();

  @Parameters(paramLabel = "FILE", description = "what backup has written")
  private Path file;

  @Override
  public Integer call() throws IOException {
    new Restore(file, folders.data(), folders.media()).run();
    System.out.println("Everything is back in " + folders.data() + ".");
    return 0;
  }
}
