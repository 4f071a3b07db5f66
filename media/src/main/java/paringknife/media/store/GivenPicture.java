package paringknife.media.store;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.ExifUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

/** Reads PNG and JPEG pictures that somebody gave, once it is known that they are small enough. */
final class GivenPicture {
  private final Limits limits;

  /**
   * What is taken.
   *
   * @param what it is called: "A logo"
   * @param megabytes most of its file
   * @param longest most pixels of a side
   * @param flattest most times as wide as high, or as high
   * @param decoded of a longer side every second, third pixel is read, so that it is no longer
   */
  record Limits(String what, int megabytes, int longest, double flattest, int decoded) {
    int bytes() {
      return megabytes * 1_000_000;
    }
  }

  GivenPicture(Limits limits) {
    this.limits = limits;
  }

  /**
   * A picture as it is meant to be seen, turned as its camera was held (Exif 2.3, 4.6.4,
   * Orientation).
   *
   * @throws IllegalArgumentException when it is none, or too large, with a word about it
   */
  BufferedImage read(byte[] given) {
    if (given.length > limits.bytes()) {
      throw new IllegalArgumentException(
          limits.what() + " has up to " + limits.megabytes() + " MB.");
    }
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(given))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw new IllegalArgumentException(limits.what() + " is a PNG or a JPEG picture.");
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true);
        int longer = checked(reader.getWidth(0), reader.getHeight(0));
        return upright(reader, reader.read(0, everyPixelUpTo(reader, longer)));
      } finally {
        reader.dispose();
      }
    } catch (IOException | IndexOutOfBoundsException | NegativeArraySizeException e) {
      throw new IllegalArgumentException("This picture cannot be read.");
    }
  }

  private int checked(int width, int height) {
    int longer = Math.max(width, height);
    if (longer > limits.longest()) {
      throw new IllegalArgumentException(
          limits.what() + " has up to " + limits.longest() + " pixels a side.");
    }
    if (longer > limits.flattest() * Math.min(width, height)) {
      throw new IllegalArgumentException(
          limits.what()
              + " is up to "
              + Math.round(limits.flattest())
              + " times as wide as high, or as high.");
    }
    return longer;
  }

  private ImageReadParam everyPixelUpTo(ImageReader reader, int longer) {
    int every = (longer + limits.decoded() - 1) / limits.decoded();
    ImageReadParam param = reader.getDefaultReadParam();
    param.setSourceSubsampling(every, every, 0, 0);
    return param;
  }

  private static BufferedImage upright(ImageReader reader, BufferedImage read) {
    Orientation held;
    try {
      held = ExifUtils.getExifOrientation(reader, 0);
    } catch (IOException | RuntimeException e) {
      // Of a picture whose notes cannot be read, only the picture counts.
      return read;
    }
    return held == null ? read : ExifFilterUtils.getFilterForOrientation(held).apply(read);
  }
}
