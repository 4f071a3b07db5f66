package paringknife.core.letter.fonts;

import java.lang.Character.UnicodeScript;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/**
 * Where a text's letters come from that its own face does not have. Those that Chinese, Japanese
 * and Korean share are drawn as in the language that the text is written in: kana say that it is
 * Japanese, Hangul that it is Korean (the three differ in the shapes of many; Unicode Standard,
 * section 18.1, Han).
 */
public final class BorrowedLetters {
  /** Letters before it come from no large typeface: from here on there are Hangul, kana and Han. */
  private static final int FIRST_OF_LARGE = 0x1100;

  /** For a letter alone. */
  static final BorrowedLetters OF_ANY = new BorrowedLetters(Typefaces.CHINESE_FIRST);

  /** Of so many letters it is known where they come from; others are looked up each time. */
  private static final int MOST_KNOWN = 20_000;

  private final List<Typeface> large;
  private final Map<Integer, Optional<Typeface>> known = new ConcurrentHashMap<>();

  private BorrowedLetters(List<Typeface> large) {
    this.large = large;
  }

  /** For all texts that are written in one language. */
  public static BorrowedLetters of(Stream<String> texts) {
    int[] counts = new int[2];
    texts.forEach(text -> text.codePoints().forEach(c -> count(c, counts)));
    if (counts[0] == 0 && counts[1] == 0) {
      return OF_ANY;
    }
    return new BorrowedLetters(
        counts[0] >= counts[1] ? Typefaces.JAPANESE_FIRST : Typefaces.KOREAN_FIRST);
  }

  /** Files of the large typefaces that texts in one language borrow from. */
  public static List<String> largeFiles(List<String> texts) {
    BorrowedLetters borrowed = of(texts.stream());
    return texts.stream()
        .flatMapToInt(String::codePoints)
        .filter(c -> c >= FIRST_OF_LARGE)
        .distinct()
        .mapToObj(borrowed::having)
        .flatMap(Optional::stream)
        .filter(Typefaces.large()::contains)
        .distinct()
        .flatMap(t -> t.files().stream())
        .toList();
  }

  private static void count(int c, int[] kanaAndHangul) {
    if (c < FIRST_OF_LARGE) {
      return;
    }
    UnicodeScript script = UnicodeScript.of(c);
    if (script == UnicodeScript.HIRAGANA || script == UnicodeScript.KATAKANA) {
      kanaAndHangul[0]++;
    } else if (script == UnicodeScript.HANGUL) {
      kanaAndHangul[1]++;
    }
  }

  /** A typeface that has a letter; none where no shipped one does. */
  public Optional<Typeface> having(int codePoint) {
    Optional<Typeface> typeface = known.get(codePoint);
    if (typeface == null) {
      typeface = lookedUp(codePoint);
      if (known.size() < MOST_KNOWN) {
        known.put(codePoint, typeface);
      }
    }
    return typeface;
  }

  private Optional<Typeface> lookedUp(int codePoint) {
    return Stream.concat(Typefaces.FOR_SCRIPTS.stream(), large.stream())
        .filter(f -> f.has(codePoint))
        .findFirst();
  }
}
