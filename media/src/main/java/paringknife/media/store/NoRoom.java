package paringknife.media.store;

import java.nio.file.Path;
import java.util.Locale;

/** The disk is too full for what was to be written; the message is for the user. */
public class NoRoom extends RuntimeException {
  private static final long serialVersionUID = 1;
  private static final long MEGABYTE = 1_000_000;

  public NoRoom(Path place) {
    super(message(place));
  }

  /** Says how much is free where something was to be written. */
  public static String message(Path place) {
    return String.format(
        Locale.ROOT,
        "The server's disk is nearly full: %d MB are free. This goes on by itself when there is"
            + " room.",
        freeBytes(place) / MEGABYTE);
  }

  /** Bytes free on the disk that a file or folder is on, or would be. */
  public static long freeBytes(Path place) {
    Path there = place.toAbsolutePath();
    while (there.getParent() != null && !there.toFile().exists()) {
      there = there.getParent();
    }
    return there.toFile().getUsableSpace();
  }
}
