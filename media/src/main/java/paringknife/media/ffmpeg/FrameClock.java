package paringknife.media.ffmpeg;

import paringknife.core.time.FrameRate;

/** Filters that put frames on a clock that counts frames, so that no time is ever rounded. */
final class FrameClock {
  private FrameClock() {}

  /**
   * @param number an expression for the number of a frame; {@code N} counts as they come
   */
  static String counting(FrameRate rate, String number) {
    return "settb=" + rate.denominator() + "/" + rate.numerator() + ",setpts=" + number;
  }
}
