package paringknife.server.web;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;

/** Files that a browser is to keep rather than show. */
public final class Attachment {
  private Attachment() {}

  /** Under a name in any script (RFC 5987). */
  public static ContentDisposition named(String fileName) {
    return ContentDisposition.attachment().filename(fileName, StandardCharsets.UTF_8).build();
  }
}
