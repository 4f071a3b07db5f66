package paringknife.core.transcript;

import java.util.Locale;

/** Counts syllables by groups of vowels; a rough measure of how long a word takes to say. */
public final class Syllables {
  private static final String VOWELS = "aeiouy\u00e4\u00f6\u00fc\u00e9\u00e8\u00e0\u00f4";

  private Syllables() {}

  /** At least one for any word. */
  public static int of(String word) {
    int groups = 0;
    boolean inVowel = false;
    for (char c : word.toLowerCase(Locale.ROOT).toCharArray()) {
      boolean vowel = VOWELS.indexOf(c) >= 0 || Character.isDigit(c);
      if (vowel && !inVowel) {
        groups++;
      }
      inVowel = vowel;
    }
    return Math.max(1, groups);
  }
}
