package paringknife.server.secrets;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.bouncycastle.crypto.generators.Argon2BytesGenerator;
import org.bouncycastle.crypto.params.Argon2Parameters;
import org.bouncycastle.util.encoders.Hex;
import org.junit.jupiter.api.Test;

class KeptPasswordsTest {
  private final KeptPasswords passwords = new KeptPasswords();

  /** The test vector of RFC 9106, section 5.3, against what makes the hashes here. */
  @Test
  void argon2idIsThatOfTheRfc() {
    Argon2BytesGenerator generator = new Argon2BytesGenerator();
    generator.init(
        new Argon2Parameters.Builder(Argon2Parameters.ARGON2_id)
            .withVersion(Argon2Parameters.ARGON2_VERSION_13)
            .withIterations(3)
            .withMemoryAsKB(32)
            .withParallelism(4)
            .withSalt(filled(16, 2))
            .withSecret(filled(8, 3))
            .withAdditional(filled(12, 4))
            .build());
    byte[] tag = new byte[32];
    generator.generateBytes(filled(32, 1), tag);
    assertThat(Hex.toHexString(tag))
        .isEqualTo("0d640df58d78766c08c037a34a8b53c9d01ef0452d75b65eb52520e96b01e659");
  }

  private static byte[] filled(int length, int value) {
    byte[] bytes = new byte[length];
    java.util.Arrays.fill(bytes, (byte) value);
    return bytes;
  }

  /** OWASP Password Storage Cheat Sheet: Argon2id with 19 MiB, two passes, one lane. */
  @Test
  void isKeptAsItIsSaid() {
    String kept = passwords.kept("four words and none");
    assertThat(kept).startsWith("$argon2id$v=19$m=19456,t=2,p=1$");
    assertThat(passwords.kept("four words and none")).as("salted").isNotEqualTo(kept);
    assertThat(passwords.isRight("four words and none", kept)).isTrue();
    assertThat(passwords.isRight("four words and None", kept)).isFalse();
    assertThat(passwords.isRight("x".repeat(100_000), kept)).isFalse();
  }

  /** What is no password's is worked on like one that is kept: not refused for its form. */
  @Test
  void whatIsNobodysHasTheFormOfOneThatIsKept() {
    String form = "[A-Za-z0-9+/]";
    assertThat(KeptPasswords.OF_NOBODY)
        .matches("\\$argon2id\\$v=19\\$m=19456,t=2,p=1\\$" + form + "{22}\\$" + form + "{43}")
        .hasSameSizeAs(passwords.kept("four words and none"));
  }

  /** However many come at once, all who wait a moment are answered. */
  @Test
  void manyAtOnceTakeTurns() {
    String kept = passwords.kept("four words and none");
    long right =
        IntStream.range(0, 12)
            .parallel()
            .filter(i -> passwords.isRight("four words and none", kept))
            .count();
    assertThat(right).isEqualTo(12);
  }

  /** FIPS 180-4: the digest of "abc". */
  @Test
  void aTokenIsKeptAsItsDigest() {
    assertThat(Token.kept("abc"))
        .isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
    assertThat(Token.fresh()).matches("[0-9a-f]{32}").isNotEqualTo(Token.fresh());
  }
}
