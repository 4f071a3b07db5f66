package paringknife.media.store;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import net.coobird.thumbnailator.Thumbnails;
import paringknife.core.frame.Backdrop;

/**
 * Pictures that are seen as grounds, opaque and no larger than they are of use: what comes out of
 * here and is given again stays the same picture under the same name.
 */
public final class BackdropPictures extends KeptPictures {
  /** Most pixels of a side of what is kept; larger ones are made smaller. */
  public static final int KEPT = 1_920;

  private static final int LONGEST = 8_192;
  private static final GivenPicture.Limits LIMITS =
      new GivenPicture.Limits("A backdrop", 12, LONGEST, Backdrop.FLATTEST, LONGEST / 2);

  /** What shines through shows this, as a dark ground. */
  private static final Color BEHIND = new Color(26, 26, 26);

  /**
   * @param directory made when missing
   */
  public BackdropPictures(Path directory) {
    super(directory, "backdrops");
  }

  @Override
  BufferedImage asKept(byte[] given) {
    BufferedImage read = new GivenPicture(LIMITS).read(given);
    try {
      boolean fits = Math.max(read.getWidth(), read.getHeight()) <= KEPT;
      return opaque(fits ? read : Thumbnails.of(read).size(KEPT, KEPT).asBufferedImage());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static BufferedImage opaque(BufferedImage read) {
    BufferedImage picture =
        new BufferedImage(read.getWidth(), read.getHeight(), BufferedImage.TYPE_INT_RGB);
    Graphics2D drawn = picture.createGraphics();
    drawn.drawImage(read, 0, 0, BEHIND, null);
    drawn.dispose();
    return picture;
  }
}
