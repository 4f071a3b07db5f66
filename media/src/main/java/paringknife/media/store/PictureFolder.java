package paringknife.media.store;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.stream.Stream;
import javax.imageio.ImageIO;

/** PNG pictures in a folder, each under the SHA-256 of its file. */
final class PictureFolder {
  private final Path directory;
  private final String plural;
  private final int most;

  /**
   * @param directory made when missing
   * @param plural what its pictures are called
   * @param most so many can be had
   */
  PictureFolder(Path directory, String plural, int most) {
    this.directory = directory;
    this.plural = plural;
    this.most = most;
    try {
      Files.createDirectories(directory);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Keeps a picture.
   *
   * @throws IllegalArgumentException when there are too many already
   */
  KeptPicture add(BufferedImage picture) {
    try (Stream<Path> there = Files.list(directory)) {
      ByteArrayOutputStream png = new ByteArrayOutputStream();
      ImageIO.write(picture, "png", png);
      KeptPicture kept =
          new KeptPicture(digest(png.toByteArray()), picture.getWidth(), picture.getHeight());
      if (!Files.exists(path(kept.id()))) {
        if (there.count() >= most) {
          throw new IllegalArgumentException("There are " + most + " " + plural + " already.");
        }
        WholeFile.write(path(kept.id()), png.toByteArray());
      }
      return kept;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String digest(byte[] png) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(png));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** A picture, whole; nothing where there is none of that name. */
  Optional<byte[]> bytes(String id) {
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
  Optional<Path> file(String id) {
    return Optional.of(id)
        .filter(i -> i.matches("[0-9a-f]{64}"))
        .map(this::path)
        .filter(Files::exists);
  }
}
