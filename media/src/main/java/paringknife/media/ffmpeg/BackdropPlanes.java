package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/**
 * A backdrop in the planes of a film (4:2:0, BT.709), as large as what it fills: its middle, as
 * much of it as there is room for. Each size is worked out once.
 */
final class BackdropPlanes {
  private final Path picture;
  private final boolean mirrored;
  private final Map<Size, byte[][]> made = new HashMap<>();

  private record Size(int width, int height) {}

  /**
   * @param mirrored whether it is laid the other way round, since the film is mirrored after
   */
  BackdropPlanes(Path picture, boolean mirrored) {
    this.picture = picture;
    this.mirrored = mirrored;
  }

  /**
   * One plane of it.
   *
   * @param plane 0 for luma, 1 and 2 for chroma
   * @param width of what it fills, luma samples, even
   * @param height likewise
   */
  byte[] plane(int plane, int width, int height) {
    return made.computeIfAbsent(new Size(width, height), this::filling)[plane];
  }

  private byte[][] filling(Size size) {
    String filters =
        String.format(
            Locale.ROOT,
            "scale=%1$d:%2$d:force_original_aspect_ratio=increase:flags=area,crop=%1$d:%2$d,%3$s"
                + "scale=out_color_matrix=bt709:out_range=tv,format=yuv420p",
            size.width(),
            size.height(),
            mirrored ? "hflip," : "");
    byte[] all =
        Ffmpeg.now()
            .with("-i", "file:" + picture.toAbsolutePath(), "-vf", filters, "-frames:v", "1")
            .with("-f", "rawvideo", "pipe:1")
            .run();
    int luma = size.width() * size.height();
    return new byte[][] {
      Arrays.copyOf(all, luma),
      Arrays.copyOfRange(all, luma, luma / 4 * 5),
      Arrays.copyOfRange(all, luma / 4 * 5, luma / 2 * 3)
    };
  }
}
