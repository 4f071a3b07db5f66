package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Lays a picture over the film, smoothly scaled. */
final class LaidOverPicture implements RenderPart {
  private static final String FILE = "laid.png";

  private final @Nullable LaidPicture laid;

  /**
   * @param laid null for none
   */
  LaidOverPicture(@Nullable LaidPicture laid) {
    this.laid = laid;
  }

  @Override
  public void layOut(Path work) throws IOException {
    if (laid != null) {
      Files.createSymbolicLink(work.resolve(FILE), laid.file().toAbsolutePath());
    }
  }

  @Override
  public String filters() {
    return laid == null
        ? ""
        : String.format(
            Locale.ROOT,
            "null[under];movie=%s,format=gbrap,scale=%d:%d:flags=lanczos,"
                + "colorchannelmixer=aa=%.4f,scale=out_color_matrix=bt709:out_range=tv,"
                + "format=yuva420p[laid];[under][laid]overlay=%d:%d:format=yuv420",
            FILE,
            laid.width(),
            laid.height(),
            laid.opacity(),
            even(laid.x()),
            even(laid.y()));
  }

  /** Chroma has a sample for every second pixel. */
  private static int even(int pixels) {
    return pixels / 2 * 2;
  }
}
