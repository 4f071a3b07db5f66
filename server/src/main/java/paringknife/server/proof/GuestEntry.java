package paringknife.server.proof;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Links that have a password: who has given the right one carries a pass, which only somebody who
 * knows what is kept can make (HMAC-SHA-256, RFC 2104).
 */
@Component
class GuestEntry {
  /** What a guest of a link carries who has given its password. */
  String pass(ProofStore.Link link) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      byte[] key = String.valueOf(link.password()).getBytes(StandardCharsets.UTF_8);
      mac.init(new SecretKeySpec(key, "HmacSHA256"));
      return HexFormat.of().formatHex(mac.doFinal(link.token().getBytes(StandardCharsets.UTF_8)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Whether a link may be entered with what its guest carries. */
  boolean isOpen(ProofStore.Link link, @Nullable String pass) {
    return link.password() == null
        || pass != null
            && MessageDigest.isEqual(
                pass.getBytes(StandardCharsets.UTF_8), pass(link).getBytes(StandardCharsets.UTF_8));
  }
}
