package paringknife.server.team;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.List;
import paringknife.server.secrets.KeptPasswords;

/**
 * What a password has to be: long, and not easily guessed, which is estimated as Wheeler 2016 does
 * (zxcvbn: common passwords, words, names, dates, patterns of keys). No mixture of kinds of
 * characters is asked for (OWASP ASVS 5.0, 6.2).
 */
final class PasswordRules {
  static final int SHORTEST = 12;
  private static final int WELL_ENOUGH = 3;

  /**
   * The estimate takes more than linear time; a longer password is no weaker than its beginning.
   */
  private static final int LOOKED_AT = 60;

  private PasswordRules() {}

  /**
   * Looks at a password.
   *
   * @throws IllegalArgumentException with what is wrong with it
   */
  static void check(String password, String name) {
    if (password.length() < SHORTEST || password.length() > KeptPasswords.LONGEST) {
      throw new IllegalArgumentException(
          "A password has " + SHORTEST + " to " + KeptPasswords.LONGEST + " characters.");
    }
    String looked = password.substring(0, Math.min(LOOKED_AT, password.length()));
    if (new Zxcvbn().measure(looked, List.of(name, "paring", "knife")).getScore() < WELL_ENOUGH) {
      throw new IllegalArgumentException(
          "This password is easily guessed. Four words that have nothing to do with one another"
              + " are a good one.");
    }
  }
}
