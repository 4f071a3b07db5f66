package paringknife.media.ffmpeg;

import java.util.Locale;
import paringknife.core.time.FrameRate;

/** Plays the pictures at another speed, and at the frame rate that is delivered. */
final class Pace implements RenderPart {
  private final double speed;
  private final FrameRate recorded;
  private final FrameRate delivered;

  Pace(double speed, FrameRate recorded, FrameRate delivered) {
    this.speed = speed;
    this.recorded = recorded;
    this.delivered = delivered;
  }

  @Override
  public String filters() {
    if (speed == 1) {
      return recorded.equals(delivered) ? "" : "fps=" + delivered;
    }
    return String.format(Locale.ROOT, "settb=AVTB,setpts=PTS/%.6f,fps=%s", speed, delivered);
  }
}
