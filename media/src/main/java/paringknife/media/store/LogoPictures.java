package paringknife.media.store;

import java.awt.AlphaComposite;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import paringknife.core.dress.Logo;

/** Pictures that stand in films as logos. */
public final class LogoPictures extends KeptPictures {
  private static final int LONGEST = 4_096;
  private static final GivenPicture.Limits LIMITS =
      new GivenPicture.Limits("A logo", 4, LONGEST, Logo.FLATTEST, LONGEST);

  /** Most bytes of a picture that is given. */
  public static final int LARGEST = LIMITS.bytes();

  /**
   * @param directory made when missing
   */
  public LogoPictures(Path directory) {
    super(directory, "logos");
  }

  @Override
  BufferedImage asKept(byte[] given) {
    return withOpacity(new GivenPicture(LIMITS).read(given));
  }

  /** All pictures alike, so that what draws them is told nothing else. */
  private static BufferedImage withOpacity(BufferedImage read) {
    BufferedImage picture =
        new BufferedImage(read.getWidth(), read.getHeight(), BufferedImage.TYPE_INT_ARGB);
    Graphics2D drawn = picture.createGraphics();
    // As it is: mixed with nothing, what half shines through would come out a little other.
    drawn.setComposite(AlphaComposite.Src);
    drawn.drawImage(read, 0, 0, null);
    drawn.dispose();
    return picture;
  }
}
