package paringknife.server.episodes;

import java.nio.file.Path;
import paringknife.media.store.NoRoom;

/**
 * Where everything lies that is not in the database.
 *
 * @param root of all of it
 * @param media the folder from which recordings may be taken without a copy
 * @param roomBytes what is kept free on the disk, so that the database can go on writing
 */
public record DataFolder(Path root, Path media, long roomBytes) {
  private static final long ROOM_BYTES = 500_000_000;

  public DataFolder(Path root, Path media) {
    this(root, media, ROOM_BYTES);
  }

  /**
   * Refuses work that writes where the disk is nearly full.
   *
   * @throws NoRoom with a message for the user
   */
  public void keepRoom() {
    if (NoRoom.freeBytes(root) < roomBytes) {
      throw new NoRoom(root);
    }
  }

  public EpisodeFolder episode(long id) {
    return new EpisodeFolder(episodes().resolve(Long.toString(id)));
  }

  public Path episodes() {
    return root.resolve("episodes");
  }

  /**
   * The finished file of a cell.
   *
   * @param attempt the order that it came of; files of order 0 were made before orders were counted
   * @param extension what its name ends in, without the dot
   */
  public Path finished(long clipId, String spec, int attempt, String extension) {
    return finishedFolder().resolve(finishedName(clipId, spec, attempt) + "." + extension);
  }

  /** The name of a cell's finished file, whatever it ends in. */
  public static String finishedName(long clipId, String spec, int attempt) {
    return clipId + "_" + spec + (attempt == 0 ? "" : "_" + attempt);
  }

  public Path finishedFolder() {
    return root.resolve("finished");
  }

  /** Stills that stand for clips; each can be made again. */
  public Path covers() {
    return root.resolve("covers");
  }

  /** Where logos and backdrops have their folders. */
  public Path stylePictures() {
    return root;
  }

  Path logos() {
    return root.resolve("logos");
  }

  Path backdrops() {
    return root.resolve("backdrops");
  }

  public Path fonts() {
    return root.resolve("fonts");
  }

  public Path uploads() {
    return media.resolve("uploads");
  }
}
