package paringknife.core.letter.fonts;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import paringknife.core.letter.style.Face;

/**
 * The typefaces that there are: those that ship, all under the SIL Open Font License 1.1, and those
 * that were installed on this machine besides, which every clip may be set in. Safe for use by
 * several threads.
 */
public final class Typefaces {
  private static final String FOLDER = "/lettering-fonts/";

  private static final List<Typeface> FOR_LETTERINGS =
      List.of(
          plain("Archivo Black", "archivo-black", 400, "latin", "latin-ext"),
          plain("Archivo Light", "archivo", 300, "latin", "latin-ext", "vietnamese"),
          plain("Anton", "anton", 400, "latin", "latin-ext", "vietnamese"),
          bold("Atkinson Hyperlegible", "atkinson-hyperlegible", "latin", "latin-ext"),
          bold("Baloo 2", "baloo-2", "latin", "latin-ext", "vietnamese"),
          plain(
              "Barlow Condensed SemiBold",
              "barlow-condensed",
              600,
              "latin",
              "latin-ext",
              "vietnamese"),
          bold("Bitter", "bitter", "latin", "latin-ext", "cyrillic", "vietnamese"),
          bold("Courier Prime", "courier-prime", "latin", "latin-ext"),
          bold("Kalam", "kalam", "latin", "latin-ext"),
          plain(
              "Libre Franklin Medium",
              "libre-franklin",
              500,
              "latin",
              "latin-ext",
              "cyrillic",
              "vietnamese"),
          bold("Libre Franklin", "libre-franklin", "latin", "latin-ext", "cyrillic", "vietnamese"),
          new Typeface(
              "Lora SemiBold",
              false,
              true,
              files("lora", 600, "italic", "latin", "latin-ext", "cyrillic", "vietnamese")),
          plain(
              "Noto Sans SemiBold",
              "noto-sans",
              600,
              "latin",
              "latin-ext",
              "cyrillic",
              "cyrillic-ext",
              "greek",
              "greek-ext",
              "vietnamese"),
          plain("Oswald Medium", "oswald", 500, "latin", "latin-ext", "cyrillic", "vietnamese"),
          plain(
              "Source Serif 4 SemiBold",
              "source-serif-4",
              600,
              "latin",
              "latin-ext",
              "cyrillic",
              "greek",
              "vietnamese"),
          plain("Work Sans Light", "work-sans", 300, "latin", "latin-ext", "vietnamese"));

  /** What letters come from that a lettering's own face does not have. */
  static final List<Typeface> FOR_SCRIPTS =
      List.of(
          byFamily(FOR_LETTERINGS, "Noto Sans SemiBold"),
          plain("Noto Sans Arabic SemiBold", "noto-sans-arabic", 600, "arabic"),
          plain("Noto Sans Hebrew SemiBold", "noto-sans-hebrew", 600, "hebrew"),
          plain("Noto Sans Devanagari SemiBold", "noto-sans-devanagari", 600, "devanagari"),
          plain("Noto Sans Thai SemiBold", "noto-sans-thai", 600, "thai"));

  /** Its table of letters names the full Unicode one only: libass 0.17 reads the first it finds. */
  private static final Typeface EMOJI = plain("Noto Emoji SemiBold", "noto-emoji", 600, "emoji");

  private static final Typeface JAPANESE =
      plain("Noto Sans JP Thin SemiBold", "noto-sans-jp", 600, "japanese");
  private static final Typeface KOREAN =
      plain("Noto Sans KR Thin SemiBold", "noto-sans-kr", 600, "korean");
  private static final Typeface CHINESE =
      plain("Noto Sans SC Thin SemiBold", "noto-sans-sc", 600, "chinese-simplified");

  static final List<Typeface> JAPANESE_FIRST = List.of(EMOJI, JAPANESE, CHINESE, KOREAN);
  static final List<Typeface> KOREAN_FIRST = List.of(EMOJI, KOREAN, JAPANESE, CHINESE);
  static final List<Typeface> CHINESE_FIRST = List.of(EMOJI, CHINESE, JAPANESE, KOREAN);

  private static final Map<String, Typeface> BY_FAMILY =
      FOR_LETTERINGS.stream().collect(Collectors.toMap(Typeface::family, f -> f));

  /** By the names of their files. */
  private static final Map<String, Typeface> INSTALLED = new ConcurrentSkipListMap<>();

  private Typefaces() {}

  static boolean isShipped(String family) {
    return BY_FAMILY.keySet().stream().anyMatch(f -> f.equalsIgnoreCase(family))
        || Stream.concat(FOR_SCRIPTS.stream(), CHINESE_FIRST.stream())
            .anyMatch(f -> f.family().equalsIgnoreCase(family));
  }

  /** Lets text be set in a typeface of a producer's own. */
  public static void install(Typeface own) {
    INSTALLED.put(own.files().get(0), own);
  }

  /** Takes one away again. */
  public static void remove(String file) {
    INSTALLED.remove(file);
  }

  /** Those that were installed. */
  public static List<Typeface> installed() {
    return List.copyOf(INSTALLED.values());
  }

  private static List<String> files(String name, int weight, String style, String... scripts) {
    List<String> files = new ArrayList<>();
    for (String script : scripts) {
      files.add(name + "-" + script + "-" + weight + "-" + style + ".woff");
    }
    return files;
  }

  private static Typeface plain(String family, String name, int weight, String... scripts) {
    return new Typeface(family, false, false, files(name, weight, "normal", scripts));
  }

  private static Typeface bold(String family, String name, String... scripts) {
    return new Typeface(family, true, false, files(name, 700, "normal", scripts));
  }

  private static Typeface byFamily(List<Typeface> faces, String family) {
    return faces.stream().filter(f -> f.family().equals(family)).findFirst().orElseThrow();
  }

  /** Those that a lettering can be set in. */
  public static List<Typeface> all() {
    return FOR_LETTERINGS;
  }

  /** Those that ship, and the installed ones, by family. */
  public static List<Typeface> choices() {
    return Stream.concat(FOR_LETTERINGS.stream(), INSTALLED.values().stream())
        .sorted(Comparator.comparing(Typeface::family))
        .toList();
  }

  /** Large ones, which are fetched only where a text needs them. */
  public static List<Typeface> large() {
    return CHINESE_FIRST;
  }

  /** All that ship but the large ones, each file once. */
  public static List<String> files() {
    List<String> files = new ArrayList<>();
    FOR_LETTERINGS.forEach(f -> files.addAll(f.files()));
    FOR_SCRIPTS.forEach(f -> files.addAll(f.files()));
    return files.stream().distinct().toList();
  }

  /**
   * The typeface that a face asks for: of its family, and bold or italic if there is such a one.
   */
  public static Optional<Typeface> of(Face face) {
    Typeface shipped = BY_FAMILY.get(face.family());
    if (shipped != null) {
      return Optional.of(shipped);
    }
    return INSTALLED.values().stream()
        .filter(t -> t.family().equals(face.family()))
        .min(
            Comparator.comparing((Typeface t) -> t.isBold() != face.bold())
                .thenComparing(t -> t.isItalic() != face.italic()));
  }

  /** One that has a letter, for a face that does not; none where no shipped one does. */
  public static Optional<Typeface> having(int codePoint) {
    return BorrowedLetters.OF_ANY.having(codePoint);
  }

  /** A file's content. */
  public static InputStream open(String file) {
    InputStream in = Typefaces.class.getResourceAsStream(FOLDER + file);
    if (in == null) {
      throw new IllegalStateException("the font " + file + " is missing from this build");
    }
    return in;
  }
}
