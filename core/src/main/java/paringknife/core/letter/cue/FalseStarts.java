package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Words that were begun and said again at once: a run of up to {@value #LONGEST} that is followed
 * by the same run, and words broken off with a dash. Words that are doubled on purpose ("very,
 * very") are none.
 */
public final class FalseStarts {
  private static final int LONGEST = 4;

  /** From memory. */
  private static final Set<String> DOUBLED =
      Set.of(
          "very", "no", "yes", "yeah", "really", "so", "bye", "had", "that", "now", "there", "come",
          "far", "much", "many", "long", "one", "two", "three", "four", "five", "six", "seven",
          "eight", "nine", "ten", "more", "again", "well", "knock", "ha", "never", "wait");

  private FalseStarts() {}

  /** The spans of their words. */
  public static List<Span> find(Transcript transcript) {
    List<Word> words = transcript.words();
    List<Span> found = new ArrayList<>();
    for (int i = 0; i < words.size(); i++) {
      int length = again(words, i);
      if (length == 0 && isBrokenOff(words.get(i))) {
        length = 1;
      }
      for (int k = 0; k < length; k++) {
        found.add(words.get(i + k).span());
      }
      i += Math.max(0, length - 1);
    }
    return found;
  }

  private static int again(List<Word> words, int at) {
    for (int length = LONGEST; length >= 1; length--) {
      if (at + 2 * length <= words.size() && isSame(words, at, length)) {
        return length;
      }
    }
    return 0;
  }

  private static boolean isSame(List<Word> words, int at, int length) {
    for (int k = 0; k < length; k++) {
      Word first = words.get(at + k);
      String bare = first.bare();
      if (bare.isEmpty()
          || !bare.equals(words.get(at + length + k).bare())
          || first.endsSentence()
          || first.speaker() != words.get(at + length + k).speaker()
          || length == 1 && (DOUBLED.contains(bare) || Character.isDigit(bare.charAt(0)))) {
        return false;
      }
    }
    return true;
  }

  private static boolean isBrokenOff(Word word) {
    String text = word.text();
    return text.length() > 1
        && (text.endsWith("-") || text.endsWith("\u2014") && text.length() <= 4);
  }
}
