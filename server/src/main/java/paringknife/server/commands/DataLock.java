package paringknife.server.commands;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.jspecify.annotations.Nullable;

/** Only one server works with a data folder. The lock goes with the process, even a killed one. */
final class DataLock implements AutoCloseable {
  private final FileChannel channel;

  private DataLock(FileChannel channel) {
    this.channel = channel;
  }

  /**
   * Takes the lock.
   *
   * @throws IllegalArgumentException when another server has it
   */
  static DataLock take(Path data) {
    try {
      Files.createDirectories(data);
      FileChannel channel =
          FileChannel.open(
              data.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
      if (tryLock(channel) == null) {
        channel.close();
        throw new IllegalArgumentException(
            "Paring Knife already runs with the data in "
                + data
                + "; stop it, or give another --data.");
      }
      return new DataLock(channel);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static @Nullable FileLock tryLock(FileChannel channel) throws IOException {
    try {
      return channel.tryLock();
    } catch (OverlappingFileLockException e) {
      return null;
    }
  }

  @Override
  public void close() {
    try {
      channel.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
