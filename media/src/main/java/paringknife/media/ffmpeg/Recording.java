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

  /**
   * A moving picture.
   *
   * @param width as shown: rotation applied, pixels square
   * @param height as shown
   * @param form how it is stored
   */
  public record Picture(int width, int height, FrameRate rate, Form form) {
    /** One that is stored as it is shown. */
    public Picture(int width, int height, FrameRate rate) {
      this(width, height, rate, Form.PLAIN);
    }
  }

  /**
   * How pictures are stored.
   *
   * @param squarePixels whether a pixel is as wide as it is high
   * @param interlaced whether every other line was recorded later
   * @param matrix the colour matrix to take for granted, as ffmpeg names it, where the file does
   *     not say which; empty where it says so
   * @param studioHd whether colours are those of most recordings, known or taken for granted:
   *     BT.709 in the studio range, 4:2:0, 8 bits
   */
  public record Form(boolean squarePixels, boolean interlaced, String matrix, boolean studioHd) {
    public static final Form PLAIN = new Form(true, false, "", false);
  }
}
