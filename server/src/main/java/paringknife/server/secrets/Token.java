package paringknife.server.secrets;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;

/** What cannot be guessed: 128 bits of chance. */
public final class Token {
  private static final int BYTES = 16;
  private static final SecureRandom CHANCE = new SecureRandom();

  private Token() {}

  /** A new one, in hexadecimal digits. */
  public static String fresh() {
    byte[] token = new byte[BYTES];
    CHANCE.nextBytes(token);
    return HexFormat.of().formatHex(token);
  }

  /** What is kept of a token (SHA-256, FIPS 180-4): whoever reads that does not have the token. */
  public static String kept(String token) {
    return HexFormat.of().formatHex(digest(token).array());
  }

  static ByteBuffer digest(String text) {
    try {
      return ByteBuffer.wrap(
          MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
