package paringknife.media.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import paringknife.core.letter.fonts.FontFile;
import paringknife.core.letter.fonts.Typeface;
import paringknife.core.letter.fonts.Typefaces;

/**
 * The fonts that captions are set in, laid out as files: ffmpeg burns from them and the browser
 * draws from the very same files. A producer's own lie beside those that ship; what another process
 * added is found when they are looked through again.
 */
public final class CaptionFonts {
  /** So many fonts of one's own can be had. */
  public static final int MOST_OWN = 100;

  private static final String OWN = "own-";

  private final Path directory;

  /** Writes the shipped fonts into a directory, which is made when missing. */
  public CaptionFonts(Path directory) {
    this.directory = directory;
    try {
      Files.createDirectories(directory);
      for (String name : shipped()) {
        try (InputStream in = Typefaces.open(name)) {
          Files.copy(in, directory.resolve(name), StandardCopyOption.REPLACE_EXISTING);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    lookThrough();
  }

  public Path directory() {
    return directory;
  }

  private static List<String> shipped() {
    return Stream.concat(
            Typefaces.files().stream(), Typefaces.large().stream().flatMap(t -> t.files().stream()))
        .toList();
  }

  /** Names of all files but the large ones: those that ship, and one's own. */
  public List<String> files() {
    return Stream.concat(Typefaces.files().stream(), own().stream()).toList();
  }

  private List<String> own() {
    try (Stream<Path> files = Files.list(directory)) {
      return files
          .map(f -> f.getFileName().toString())
          .filter(n -> n.startsWith(OWN))
          .sorted()
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Installs what was added since, and lets go of what was removed. */
  public void lookThrough() {
    Set<String> there = new HashSet<>(own());
    for (Typeface known : Typefaces.installed()) {
      String file = known.files().get(0);
      if (!there.remove(file)) {
        Typefaces.remove(file);
      }
    }
    for (String name : there) {
      try {
        byte[] bytes = Files.readAllBytes(directory.resolve(name));
        Typefaces.install(Typeface.own(FontFile.read(bytes), name));
      } catch (IOException | IllegalArgumentException gone) {
        // Removed meanwhile, or put there by somebody else: not to be set in.
        continue;
      }
    }
  }

  /**
   * Adds a font of one's own; one of the same family, weight and style gives way to it.
   *
   * @throws IllegalArgumentException when it is none, or must not be used, with a word about it
   */
  public Typeface add(byte[] font) {
    FontFile read = FontFile.read(font);
    String kind =
        OWN
            + UUID.nameUUIDFromBytes(read.family().getBytes(StandardCharsets.UTF_8))
            + (read.isBold() ? "-bold" : "")
            + (read.isItalic() ? "-italic" : "");
    CRC32 content = new CRC32();
    content.update(font);
    // Whoever has kept a font by its name never sees another one under it.
    String name =
        String.format(
            Locale.ROOT, "%s-%08x.%s", kind, content.getValue(), FontFile.extension(font));
    Typeface typeface = Typeface.own(read, name);
    List<String> before = own().stream().filter(n -> isOf(kind, n)).toList();
    if (before.isEmpty() && own().size() >= MOST_OWN) {
      throw new IllegalArgumentException(
          "There are " + MOST_OWN + " fonts already; remove one that is not used any more.");
    }
    WholeFile.write(directory.resolve(name), font);
    before.stream().filter(n -> !n.equals(name)).forEach(this::remove);
    Typefaces.install(typeface);
    return typeface;
  }

  /**
   * One's own fonts of some families, as they were given; those that may not be embedded are never
   * among them.
   */
  public List<byte[]> ownOf(List<String> families) {
    List<byte[]> fonts = new ArrayList<>();
    for (Typeface typeface : Typefaces.installed()) {
      if (families.contains(typeface.family())) {
        try {
          fonts.add(Files.readAllBytes(directory.resolve(typeface.files().get(0))));
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      }
    }
    return fonts;
  }

  /**
   * Adds those of some fonts whose family is not there in their weight and slant.
   *
   * @throws IllegalArgumentException when one of them is no font, before any is added, or must not
   *     be used
   */
  public void addMissing(List<byte[]> fonts) {
    List<byte[]> missing = fonts.stream().filter(f -> !isThere(FontFile.read(f))).toList();
    missing.forEach(this::add);
  }

  private static boolean isThere(FontFile font) {
    return Typefaces.choices().stream()
        .anyMatch(
            t ->
                t.family().equals(font.family())
                    && t.isBold() == font.isBold()
                    && t.isItalic() == font.isItalic());
  }

  private static boolean isOf(String kind, String name) {
    return name.startsWith(kind) && name.substring(kind.length()).matches("-[0-9a-f]{8}\\..*");
  }

  /** Removes one of one's own; what is set in it is set in another from now on. */
  public boolean remove(String file) {
    if (!file.matches(OWN + "[0-9a-z-]{36,60}\\.(ttf|otf|woff)")) {
      return false;
    }
    try {
      Typefaces.remove(file);
      return Files.deleteIfExists(directory.resolve(file));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
