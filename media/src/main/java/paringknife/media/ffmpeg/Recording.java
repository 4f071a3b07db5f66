package paringknife.media.ffmpeg;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import paringknife.core.time.FrameRate;

/**
 * What a media file holds.
 *
 * @param durationUs length in microseconds
 * @param picture the first moving picture; null when there is none
 * @param hasSound whether there is any sound
 */
public record Recording(Path file, long durationUs, @Nullable Picture picture, boolean hasSound) {
  /** Size as shown (rotation applied) and frame rate of a moving picture. */
  public record Picture(int width, int height, FrameRate rate) {}
}
