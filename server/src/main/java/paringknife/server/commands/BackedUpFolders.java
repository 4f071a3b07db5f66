package paringknife.server.commands;

import java.nio.file.Path;
import picocli.CommandLine.Option;

/** The folders that a backup is of, or is brought back into. */
final class BackedUpFolders {
  /** Lies in a folder of data whose database runs elsewhere. */
  static final String OUTSIDE = "database-elsewhere";

  @Option(names = "--data", required = true, description = "folder of the server's data")
  private Path data;

  @Option(
      names = "--media",
      description = "folder that recordings are taken from; by default media within the data")
  private Path media;

  Path data() {
    return data;
  }

  Path media() {
    return media == null ? data.resolve("media") : media;
  }
}
