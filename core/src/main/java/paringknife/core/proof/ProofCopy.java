package paringknife.core.proof;

import paringknife.core.deliver.Codec;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Encoding;
import paringknife.core.deliver.Limit;
import paringknife.core.letter.drawn.Canvas;

/** The small file that is shown for a yes: as it will be delivered, at the size of a proxy. */
public final class ProofCopy {
  /** What its cell is called where delivery specs are named. */
  public static final String ID = "proof";

  private static final int SHORT_SIDE = 360;
  private static final int MOST_FRAMES = 30;
  private static final int CRF = 26;
  private static final int SOUND_KBPS = 96;
  private static final double KEYFRAME_SECONDS = 2;
  private static final long LONGEST_US = 12L * 3600 * 1_000_000;

  private ProofCopy() {}

  /**
   * How it is made.
   *
   * @param delivered the canvas of the first destination asked for
   */
  public static DeliverySpec spec(Canvas delivered, Limit.Loudness loudness) {
    double side = Math.min(delivered.width(), delivered.height());
    return new DeliverySpec(
        ID,
        "Proof",
        delivered.smaller(Math.min(1, SHORT_SIDE / side)),
        true,
        new Limit.Length(0, LONGEST_US, 0),
        new Limit.Frames(MOST_FRAMES),
        loudness,
        null,
        Limit.Texts.ANY,
        null,
        new Encoding(Codec.H264, CRF, null, null, KEYFRAME_SECONDS, SOUND_KBPS));
  }
}
