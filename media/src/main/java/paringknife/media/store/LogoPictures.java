package paringknife.media.store;

import java.awt.AlphaComposite;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.Optional;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import paringknife.core.dress.Logo;

/** Pictures that stand in films as logos, each under the SHA-256 of its file. */
public final class LogoPictures {
  /** Most bytes of a picture that is given. */
  public static final int LARGEST = 4_000_000;

  /** Most pixels of one side. */
  public static final int LONGEST = 4_096;

  /** So many can be had. */
  public static final int MOST = 500;

  private final Path directory;

  /**
   * @param directory made when missing
   */
  public LogoPictures(Path directory) {
    this.directory = directory;
    try {
      Files.createDirectories(directory);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * A picture that is there.
   *
   * @param id names it
   */
  public record Kept(String id, int width, int height) {
    public double aspect() {
      return width / (double) height;
    }
  }

  /**
   * Keeps a PNG or JPEG picture, as PNG.
   *
   * @throws IllegalArgumentException when it is none, or too large, with a word about it
   */
  public Kept add(byte[] given) {
    BufferedImage picture = decoded(given);
    try (Stream<Path> there = Files.list(directory)) {
      ByteArrayOutputStream png = new ByteArrayOutputStream();
      ImageIO.write(picture, "png", png);
      Kept kept = new Kept(digest(png.toByteArray()), picture.getWidth(), picture.getHeight());
      if (!Files.exists(path(kept.id()))) {
        if (there.count() >= MOST) {
          throw new IllegalArgumentException("There are " + MOST + " logos already.");
        }
        WholeFile.write(path(kept.id()), png.toByteArray());
      }
      return kept;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Decoded only once it is known to be small enough. */
  private static BufferedImage decoded(byte[] given) {
    if (given.length > LARGEST) {
      throw new IllegalArgumentException("A logo has up to 4 MB.");
    }
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(given))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw new IllegalArgumentException("A logo is a PNG or a JPEG picture.");
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        check(reader.getWidth(0), reader.getHeight(0));
        return withOpacity(reader.read(0));
      } finally {
        reader.dispose();
      }
    } catch (IOException | IndexOutOfBoundsException e) {
      throw new IllegalArgumentException("This picture cannot be read.");
    }
  }

  private static void check(int width, int height) {
    if (width > LONGEST || height > LONGEST) {
      throw new IllegalArgumentException("A logo has up to " + LONGEST + " pixels a side.");
    }
    if (Math.max(width, height) > Logo.FLATTEST * Math.min(width, height)) {
      throw new IllegalArgumentException("A logo is up to 20 times as wide as high, or as high.");
    }
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

  private static String digest(byte[] png) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(png));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** A picture, whole; nothing where there is none of that name. */
  public Optional<byte[]> bytes(String id) {
    return file(id)
        .map(
            path -> {
              try {
                return Files.readAllBytes(path);
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
  }

  private Path path(String id) {
    return directory.resolve(id + ".png");
  }

  /** The file of a picture; nothing where there is none of that name. */
  public Optional<Path> file(String id) {
    return Optional.of(id)
        .filter(i -> i.matches("[0-9a-f]{64}"))
        .map(this::path)
        .filter(Files::exists);
  }
}
