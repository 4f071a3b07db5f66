package paringknife.core.deliver;

import org.jspecify.annotations.Nullable;

/**
 * How finished files are encoded.
 *
 * @param crf constant rate factor: 0 is the finest, 51 (63 for VP9 and AV1) the coarsest; has no
 *     say where a bit rate is asked for
 * @param pictureKbps bit rate of the picture, kilobits a second; null to go by the quality
 * @param mostBytes the largest file taken; a larger one is encoded again to fit; null for any
 * @param keyframeSeconds the longest time from one frame that stands alone to the next; null as the
 *     encoder likes
 * @param soundKbps bit rate of the sound, kilobits a second; PCM has its own
 */
public record Encoding(
    Codec codec,
    int crf,
    @Nullable Integer pictureKbps,
    @Nullable Long mostBytes,
    @Nullable Double keyframeSeconds,
    int soundKbps) {
  public static final int USUAL_CRF = 20;
  public static final Encoding H264_AAC = h264(USUAL_CRF);

  private static final int LEAST_KBPS = 50;
  private static final int MOST_KBPS = 400_000;
  static final int LEAST_SOUND_KBPS = 32;
  private static final int MOST_SOUND_KBPS = 320;
  private static final long LEAST_BYTES = 100_000;
  private static final long MOST_BYTES = 1L << 40;
  private static final double LEAST_KEYFRAME = 0.1;
  private static final double MOST_KEYFRAME = 60;

  public Encoding {
    if (codec.hasQuality()) {
      within("A quality is", crf, 0, codec.coarsest(), "");
    }
    if (pictureKbps != null) {
      within("A bit rate is", pictureKbps, LEAST_KBPS, MOST_KBPS, " kbit/s");
    }
    within("The sound's bit rate is", soundKbps, LEAST_SOUND_KBPS, MOST_SOUND_KBPS, " kbit/s");
    if (mostBytes != null && (mostBytes < LEAST_BYTES || mostBytes > MOST_BYTES)) {
      throw new IllegalArgumentException("A size limit is from 0.1 MB to 1,000,000 MB.");
    }
    if (mostBytes != null && !codec.hasChosenSize()) {
      throw new IllegalArgumentException(
          "WAV and VC-3 are as large as they are; leave the size free, or choose another codec.");
    }
    if (keyframeSeconds != null
        && !(keyframeSeconds >= LEAST_KEYFRAME && keyframeSeconds <= MOST_KEYFRAME)) {
      throw new IllegalArgumentException("Whole frames come every 0.1 to 60 s.");
    }
  }

  /** Whether a file is held to a size, by several looks at its picture. */
  public boolean limitsSize() {
    return mostBytes != null;
  }

  /** The same picture beside the usual sound. */
  public Encoding withUsualSound() {
    return new Encoding(codec, crf, pictureKbps, mostBytes, keyframeSeconds, H264_AAC.soundKbps());
  }

  /** H.264 and AAC of a quality. */
  public static Encoding h264(int crf) {
    return new Encoding(Codec.H264, crf, null, null, null, 192);
  }

  private static void within(String what, int value, int least, int most, String unit) {
    if (value < least || value > most) {
      throw new IllegalArgumentException(what + " from " + least + " to " + most + unit + ".");
    }
  }
}
