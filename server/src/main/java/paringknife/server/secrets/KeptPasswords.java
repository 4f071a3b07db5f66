package paringknife.server.secrets;

import java.security.SecureRandom;
import java.util.Base64;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.stereotype.Component;
import paringknife.server.web.TooOften;

/**
 * Passwords, kept as Argon2id of them (RFC 9106) with 19 MiB, two passes and one lane (OWASP
 * Password Storage Cheat Sheet). Since each takes that much memory, only so many are worked on at a
 * time, however many are sent.
 */
@Component
public class KeptPasswords {
  /** Characters. */
  public static final int LONGEST = 200;

  private static final int SALT_BYTES = 16;
  private static final int HASH_BYTES = 32;
  private static final int KIB = 19 * 1024;
  private static final int PASSES = 2;
  private static final int AT_A_TIME = 2;
  private static final int WAITED_SECONDS = 3;

  /** In the form in which passwords are kept; no password is known that comes to it. */
  static final String OF_NOBODY =
      "$argon2id$v=19$m=" + KIB + ",t=" + PASSES + ",p=1" + random(SALT_BYTES) + random(HASH_BYTES);

  private final Argon2PasswordEncoder encoder =
      new Argon2PasswordEncoder(SALT_BYTES, HASH_BYTES, 1, KIB, PASSES);
  private final Semaphore working = new Semaphore(AT_A_TIME, true);

  /** How a password is kept. */
  public String kept(String password) {
    return inTurn(() -> encoder.encode(password));
  }

  public boolean isRight(String password, String kept) {
    return password.length() <= LONGEST && inTurn(() -> encoder.matches(password, kept));
  }

  /** Takes as long as a password that is looked at, so that nobody learns which names there are. */
  public void isNobodys(String password) {
    isRight(password, OF_NOBODY);
  }

  private static String random(int bytes) {
    byte[] drawn = new byte[bytes];
    new SecureRandom().nextBytes(drawn);
    return "$" + Base64.getEncoder().withoutPadding().encodeToString(drawn);
  }

  private <T> T inTurn(Supplier<T> work) {
    try {
      if (!working.tryAcquire(WAITED_SECONDS, TimeUnit.SECONDS)) {
        throw new TooOften("Too many sign in at once; try it again in a moment.");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new TooOften("That was stopped; try it again.");
    }
    try {
      return work.get();
    } finally {
      working.release();
    }
  }
}
