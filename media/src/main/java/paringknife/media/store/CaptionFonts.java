package paringknife.media.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import paringknife.core.letter.fonts.Typefaces;

/**
 * The fonts of the letterings, laid out as files: ffmpeg burns from them and the browser draws from
 * the very same files.
 */
public final class CaptionFonts {
  private final Path directory;

  /** Writes the shipped fonts into a directory, which is made when missing. */
  public CaptionFonts(Path directory) {
    this.directory = directory;
    try {
      Files.createDirectories(directory);
      for (String name : files()) {
        try (InputStream in = Typefaces.open(name)) {
          Files.copy(in, directory.resolve(name), StandardCopyOption.REPLACE_EXISTING);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public Path directory() {
    return directory;
  }

  public List<String> files() {
    return Typefaces.files();
  }
}
