package paringknife.media.store;

import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.Optional;

/** Pictures of one kind that producers gave. */
public abstract class KeptPictures {
  private static final int MOST = 500;

  private final PictureFolder folder;

  /**
   * @param directory made when missing
   * @param plural what its pictures are called
   */
  KeptPictures(Path directory, String plural) {
    this.folder = new PictureFolder(directory, plural, MOST);
  }

  /**
   * Keeps a PNG or JPEG picture, as PNG.
   *
   * @throws IllegalArgumentException when it is none, or too large, with a word about it
   */
  public KeptPicture add(byte[] given) {
    return folder.add(asKept(given));
  }

  /** A given picture as this kind is kept. */
  abstract BufferedImage asKept(byte[] given);

  /** A picture, whole; nothing where there is none of that name. */
  public Optional<byte[]> bytes(String id) {
    return folder.bytes(id);
  }

  /** The file of a picture; nothing where there is none of that name. */
  public Optional<Path> file(String id) {
    return folder.file(id);
  }
}
