package paringknife.media.ffmpeg;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import paringknife.core.time.FrameRate;

/**
 * What a media file holds.
 *
 * @param durationUs length in microseconds
 * @param picture the first moving picture; null when there is none
 * @param soundChannels channels of the first sound; 0 when there is none
 */
public record Recording(Path file, long durationUs, @Nullable Picture picture, int soundChannels) {
  public boolean hasSound() {
    return soundChannels > 0;
  }

  /** Size as shown (rotation applied) and frame rate of a moving picture. */
  public record Picture(int width, int height, FrameRate rate) {}
}
