package paringknife.core.deliver;

/**
 * How finished files are encoded: H.264 (ITU-T H.264) and AAC in MP4.
 *
 * @param preset x264's name for how long it tries
 * @param crf x264's constant rate factor: 0 is lossless, 51 the worst
 * @param profile H.264 profile
 * @param audioKbps bit rate of the sound, kilobits a second
 */
public record Encoding(String preset, int crf, String profile, int audioKbps) {
  public static final Encoding H264_AAC = new Encoding("veryfast", 20, "high", 192);
}
