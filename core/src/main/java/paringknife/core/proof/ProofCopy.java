package paringknife.core.proof;

import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.Codec;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Encoding;
import paringknife.core.deliver.Limit;
import paringknife.core.letter.cue.CaptionUse;
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
   * Where captions go in it: those that would only lie beside the file are seen in it, since nobody
   * else shows them to whoever looks.
   *
   * @param atDestination what becomes of them at the first destination asked for
   * @return null where it is as the clip says
   */
  public static @Nullable CaptionUse captions(CaptionUse ofClip, CaptionUse atDestination) {
    if (atDestination == ofClip && atDestination != CaptionUse.BESIDE) {
      return null;
    }
    return atDestination == CaptionUse.NONE ? CaptionUse.NONE : CaptionUse.BURNT;
  }

  /**
   * How it is made.
   *
   * @param delivered the canvas of the first destination asked for
   * @param captions where they go, whatever the clip says; null as it says
   */
  public static DeliverySpec spec(
      Canvas delivered, Limit.Loudness loudness, @Nullable CaptionUse captions) {
    double side = Math.min(delivered.width(), delivered.height());
    return new DeliverySpec(
        ID,
        "Proof",
        delivered.smaller(Math.min(1, SHORT_SIDE / side)),
        true,
        new Limit.Length(0, LONGEST_US, 0),
        new Limit.Frames(MOST_FRAMES),
        loudness,
        captions,
        Limit.Texts.ANY,
        null,
        new Encoding(Codec.H264, CRF, null, null, KEYFRAME_SECONDS, SOUND_KBPS));
  }
}
