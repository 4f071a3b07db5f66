package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Finds the words of a transcript that are worth a look before anything is captioned. */
public final class DoubtfulWords {
  private static final double SURE = 0.6;
  private static final long PAUSE_US = 900_000;

  /** English words that do stand twice in a row (common practice). */
  private static final Set<String> TWICE =
      Set.of("that", "had", "very", "no", "so", "long", "many", "really", "never", "yes");

  private DoubtfulWords() {}

  /** Whether a word is spelt as its language spells it. */
  public interface Spelling {
    boolean knows(String word);
  }

  /** In order, without a look at spelling. */
  public static List<DoubtfulWord> find(Transcript transcript) {
    return find(transcript, word -> true);
  }

  /** In order; a word is told once, for the first reason that holds. */
  public static List<DoubtfulWord> find(Transcript transcript, Spelling spelling) {
    List<Word> words = transcript.words();
    boolean punctuated = words.stream().anyMatch(Word::endsSentence);
    List<DoubtfulWord> found = new ArrayList<>();
    for (int i = 0; i < words.size(); i++) {
      DoubtfulWord.Why why = why(words, i, punctuated, spelling);
      if (why != null) {
        found.add(new DoubtfulWord(i, why));
      }
    }
    return found;
  }

  /** Whether a word was hardly heard, and nobody has looked at it since. */
  public static boolean isUnsure(Word word) {
    return !word.isLookedAt() && word.confidence() < SURE;
  }

  private static DoubtfulWord.@Nullable Why why(
      List<Word> words, int i, boolean punctuated, Spelling spelling) {
    Word word = words.get(i);
    if (word.isLookedAt()) {
      return null;
    }
    if (word.confidence() == Punctuator.CLOSE_CALL) {
      return DoubtfulWord.Why.CLOSE_CALL;
    }
    if (isUnsure(word)) {
      return DoubtfulWord.Why.HARDLY_HEARD;
    }
    if (!word.bare().isEmpty() && !spelling.knows(unmarked(word.text()))) {
      return DoubtfulWord.Why.UNKNOWN_SPELLING;
    }
    if (i > 0 && isSaidTwice(words.get(i - 1), word)) {
      return DoubtfulWord.Why.SAID_TWICE;
    }
    if (!punctuated) {
      return null;
    }
    if ((i == 0 || words.get(i - 1).endsSentence()) && beginsSmall(word)) {
      return DoubtfulWord.Why.SMALL_BEGINNING;
    }
    return endsOpen(words, i) ? DoubtfulWord.Why.NO_END : null;
  }

  private static final Pattern MARKS_AROUND =
      Pattern.compile("^[^\\p{L}\\p{N}]+|[^\\p{L}\\p{N}]+$");

  private static String unmarked(String text) {
    return MARKS_AROUND.matcher(text).replaceAll("").replace('\u2019', '\'');
  }

  private static boolean isSaidTwice(Word before, Word word) {
    return !word.bare().isEmpty()
        && word.bare().equals(before.bare())
        && !TWICE.contains(word.bare())
        && word.speaker() == before.speaker()
        && !before.endsClause();
  }

  private static boolean beginsSmall(Word word) {
    return word.text().codePoints().filter(Character::isLetterOrDigit).findFirst().stream()
        .anyMatch(Character::isLowerCase);
  }

  /**
   * Whether another speaker, or the same after a long pause with a capital, goes on after no mark.
   */
  private static boolean endsOpen(List<Word> words, int i) {
    Word word = words.get(i);
    if (word.endsClause()) {
      return false;
    }
    if (i + 1 == words.size()) {
      return true;
    }
    Word next = words.get(i + 1);
    boolean capital =
        !beginsSmall(next) && !next.bare().equals("i") && !next.bare().startsWith("i'");
    return next.speaker() != word.speaker() || capital && next.startUs() - word.endUs() >= PAUSE_US;
  }
}
