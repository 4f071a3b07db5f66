package paringknife.core.letter.fonts;

/** A file is no font, or not one that can be read. */
public final class UnusableFont extends IllegalArgumentException {
  private static final long serialVersionUID = 1;

  public UnusableFont() {
    super("This is no font that can be used here: choose a .ttf, .otf or .woff file.");
  }
}
