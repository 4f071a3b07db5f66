package paringknife.server.deliver;

import java.util.Arrays;
import org.springframework.http.MediaType;
import paringknife.core.deliver.Codec;
import paringknife.core.deliver.KeptPieces;

/** The media types of finished files. */
final class FinishedMedia {
  private FinishedMedia() {}

  /** Of files whose names end in {@code extension}. */
  static MediaType type(String extension) {
    if (extension.equals(KeptPieces.PACKED)) {
      return MediaType.parseMediaType("application/zip");
    }
    return Arrays.stream(Codec.values())
        .filter(c -> c.extension().equals(extension))
        .findFirst()
        .map(c -> MediaType.parseMediaType(c.mediaType()))
        .orElse(MediaType.APPLICATION_OCTET_STREAM);
  }
}
