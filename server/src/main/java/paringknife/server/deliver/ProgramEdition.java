package paringknife.server.deliver;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.ClipDocument;
import paringknife.media.ffmpeg.Renderer;

/**
 * Names the program by the files that it was compiled to, with their sizes and times: what an older
 * or newer one worked out is not taken for this one's.
 */
final class ProgramEdition {
  private static @Nullable String name;

  private ProgramEdition() {}

  /** The digest of all classes of ours; worked out once. */
  static synchronized String name() {
    if (name == null) {
      name = digest(List.of(ClipDocument.class, Renderer.class, ProgramEdition.class));
    }
    return name;
  }

  /** Of what each of these classes lies in. */
  private static String digest(List<Class<?>> ofModules) {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      for (Class<?> one : ofModules) {
        Path place = Path.of(one.getProtectionDomain().getCodeSource().getLocation().toURI());
        try (Stream<Path> files = Files.walk(place)) {
          for (Path file : files.filter(Files::isRegularFile).sorted().toList()) {
            digest.update(place.relativize(file).toString().getBytes(StandardCharsets.UTF_8));
            digest.update(
                (" " + Files.size(file) + " " + Files.getLastModifiedTime(file).toMillis())
                    .getBytes(StandardCharsets.UTF_8));
          }
        }
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (NoSuchAlgorithmException | URISyntaxException e) {
      throw new IllegalStateException(e);
    }
  }
}
