package paringknife.core.formats;

import java.util.Locale;
import paringknife.core.time.FrameRate;

/**
 * Timecode of SMPTE ST 12-1. Drop-frame counting leaves out frame numbers 0 and 1 (0 to 3 at 59.94)
 * of every minute that is no tenth one, so that the clock keeps to real time at 29.97 and 59.94.
 */
public final class Timecode {
  private final int base;
  private final int dropped;

  /**
   * @param rate frame rate of the material
   * @param dropFrame whether to count in drop-frame; only at 29.97 and 59.94
   * @throws IllegalArgumentException when the rate has no such counting
   */
  public Timecode(FrameRate rate, boolean dropFrame) {
    this.base = (int) Math.round(rate.perSecond());
    boolean ntsc = rate.denominator() == 1_001 && (base == 30 || base == 60);
    if (dropFrame && !ntsc) {
      throw new IllegalArgumentException(
          "drop-frame counting is for 29.97 and 59.94 frames a second");
    }
    this.dropped = dropFrame ? base / 15 : 0;
  }

  boolean isDropFrame() {
    return dropped > 0;
  }

  /** Hours, minutes, seconds, frames; a semicolon before the frames of drop-frame counting. */
  public String of(long frame) {
    long number = frame;
    if (dropped > 0) {
      long perMinute = base * 60L - dropped;
      long perTen = base * 600L - 9L * dropped;
      long tens = frame / perTen;
      long rest = frame % perTen;
      long minutes = rest < base * 60L ? 0 : (rest - base * 60L) / perMinute + 1;
      number = frame + tens * 9 * dropped + minutes * dropped;
    }
    long seconds = number / base;
    return String.format(
        Locale.ROOT,
        "%02d:%02d:%02d%s%02d",
        seconds / 3_600,
        seconds / 60 % 60,
        seconds % 60,
        dropped > 0 ? ";" : ":",
        number % base);
  }

  /** The frame a timecode names. */
  public long frame(String timecode) {
    String[] parts = timecode.trim().split("[:;]");
    if (parts.length != 4
        || !timecode.trim().matches("\\d{1,3}[:;]\\d{1,2}[:;]\\d{1,2}[:;]\\d{1,3}")) {
      throw new IllegalArgumentException(
          "a timecode is written like 00:00:05:12, not \"" + timecode + "\"");
    }
    long hours = Long.parseLong(parts[0]);
    long minutes = hours * 60 + Long.parseLong(parts[1]);
    long number = (minutes * 60 + Long.parseLong(parts[2])) * base + Long.parseLong(parts[3]);
    return number - dropped * (minutes - minutes / 10);
  }
}
