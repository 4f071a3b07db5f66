package paringknife.core.letter.fonts;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A shipped family of letters, in one weight and style; several files hold the letters of several
 * scripts.
 */
public final class Typeface {
  private static final double UNKNOWN = 0.5;

  private final String family;
  private final List<String> files;
  private final boolean isBold;
  private final boolean isItalic;
  private volatile @Nullable List<FontFile> read;

  Typeface(String family, boolean isBold, boolean isItalic, List<String> files) {
    this.family = family;
    this.files = List.copyOf(files);
    this.isBold = isBold;
    this.isItalic = isItalic;
  }

  /** As drawing instructions name it. */
  public String family() {
    return family;
  }

  /** Whether its files are the bold ones of their family. */
  public boolean isBold() {
    return isBold;
  }

  /** Whether its files are the italic ones of their family. */
  public boolean isItalic() {
    return isItalic;
  }

  /** Names of its files among the resources. */
  public List<String> files() {
    return files;
  }

  private List<FontFile> fonts() {
    List<FontFile> fonts = read;
    if (fonts == null) {
      fonts = new ArrayList<>();
      for (String file : files) {
        try (InputStream in = Typefaces.open(file)) {
          fonts.add(FontFile.read(in.readAllBytes()));
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      }
      read = List.copyOf(fonts);
    }
    return fonts;
  }

  private @Nullable FontFile with(int codePoint) {
    for (FontFile font : fonts()) {
      if (font.has(codePoint)) {
        return font;
      }
    }
    return null;
  }

  /** Whether it has a letter. */
  public boolean has(int codePoint) {
    return with(codePoint) != null;
  }

  /** Width of a text, as a share of the size. */
  public double width(String text) {
    return text.codePoints()
        .mapToDouble(
            c -> {
              FontFile font = with(c);
              return font == null ? UNKNOWN * em() : font.advance(c);
            })
        .sum();
  }

  /** Height of the em, as a share of the size. */
  public double em() {
    return fonts().get(0).em();
  }

  /** Depth below the line, as a share of the size. */
  public double descent() {
    return fonts().get(0).descent();
  }
}
