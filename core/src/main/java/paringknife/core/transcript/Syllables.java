package paringknife.core.transcript;

import java.util.Locale;

/** Counts syllables by groups of vowels; a rough measure of how long a word takes to say. */
public final class Syllables {
  /** From here on a letter is a syllable or close to one: Thai and what comes after it. */
  private static final char EACH_A_SYLLABLE = 0x0E00;

  private static final String VOWELS = "aeiouy\u00e4\u00f6\u00fc\u00e9\u00e8\u00e0\u00f4";

  private Syllables() {}

  /** At least one for any word. */
  public static int of(String word) {
    int groups = 0;
    int letters = 0;
    boolean inVowel = false;
    for (char c : word.toLowerCase(Locale.ROOT).toCharArray()) {
      boolean vowel = VOWELS.indexOf(c) >= 0 || Character.isDigit(c);
      if (vowel && !inVowel) {
        groups++;
      }
      inVowel = vowel;
      letters += c >= EACH_A_SYLLABLE && Character.isLetter(c) ? 1 : 0;
    }
    return Math.max(1, groups + letters);
  }
}
