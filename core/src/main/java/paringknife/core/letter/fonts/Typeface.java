package paringknife.core.letter.fonts;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.style.Face;

/**
 * A family of letters, in one weight and style; several files hold the letters of several scripts.
 */
public final class Typeface {
  /** What captions in the languages of western Europe are written with. */
  private static final String USUAL =
      "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,:;!?'\"-()&%"
          + "€£’“”–—…ÀÁÂÃÄÅÆÇÈÉÊËÍÎÏÑÓÔÕÖØÚÛÜŒßàáâãäåæçèéêëíîïñóôõöøúûüœ";

  /** Of what is in no font that there is. */
  private static final double UNKNOWN = 0.5;

  private static final double MISSING = -1;

  /** Letters up to here are looked up once: those of most scripts that have spaces. */
  private static final int KEPT = 0x1000;

  private final String family;
  private final List<String> files;
  private final boolean isBold;
  private final boolean isItalic;
  private volatile @Nullable List<FontFile> read;

  /** 0 for what was not looked up yet; written by several threads, always the same. */
  private final float[] advances = new float[KEPT];

  Typeface(String family, boolean isBold, boolean isItalic, List<String> files) {
    this.family = family;
    this.files = List.copyOf(files);
    this.isBold = isBold;
    this.isItalic = isItalic;
  }

  private Typeface(FontFile font, String file) {
    this(font.family(), font.isBold(), font.isItalic(), List.of(file));
    this.read = List.of(font);
  }

  /**
   * A producer's own.
   *
   * @param file name of its file beside those that ship
   * @throws IllegalArgumentException when it must not go along with what is drawn in it, or its
   *     family is one that ships or cannot be named in a drawing
   */
  public static Typeface own(FontFile font, String file) {
    if (font.isRestricted()) {
      throw new IllegalArgumentException(
          "The maker of "
              + font.family()
              + " does not allow it to be embedded: the font's own licence bits say so.");
    }
    Face.of(font.family(), Face.SMALLEST);
    if (Typefaces.isShipped(font.family())) {
      throw new IllegalArgumentException(font.family() + " is there already: it ships.");
    }
    return new Typeface(font, file);
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

  /** How far a letter takes the pen, as a share of the size; {@link #MISSING} where it has none. */
  private double advance(int codePoint) {
    if (codePoint >= KEPT) {
      return lookedUp(codePoint);
    }
    float known = advances[codePoint];
    if (known == 0) {
      double found = lookedUp(codePoint);
      // Nothing is as wide as nothing to be looked up again.
      known = found == 0 ? Float.MIN_VALUE : (float) found;
      advances[codePoint] = known;
    }
    return known;
  }

  private double lookedUp(int codePoint) {
    for (FontFile font : fonts()) {
      if (font.has(codePoint)) {
        return font.advance(codePoint);
      }
    }
    return MISSING;
  }

  /** Whether it has a letter. */
  public boolean has(int codePoint) {
    return advance(codePoint) >= 0;
  }

  /** The usual letters that it does not have, which come from another face. */
  public String lacks() {
    return USUAL
        .codePoints()
        .filter(c -> !has(c))
        .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
        .toString();
  }

  /** Width of a text, as a share of the size; letters that it does not have are borrowed. */
  public double width(String text) {
    return text.codePoints()
        .mapToDouble(
            c -> {
              double advance = advance(c);
              return advance < 0 ? borrowed(c) : advance;
            })
        .sum();
  }

  private double borrowed(int codePoint) {
    double ems =
        Typefaces.having(codePoint).map(t -> t.advance(codePoint) / t.em()).orElse(UNKNOWN);
    return ems * em();
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
