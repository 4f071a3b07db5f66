package paringknife.media.ffmpeg;

import java.util.Locale;
import java.util.StringJoiner;
import paringknife.core.frame.colour.Look;

/**
 * Changes luma and chroma of pictures in BT.709, studio range, and mirrors them. Luma goes from 16
 * to 235, chroma from 16 to 240 about 128 (Recommendation ITU-R BT.709).
 */
final class ChangedLook implements RenderPart {
  private static final double LUMA_RANGE = 219;
  private static final double LUMA_MIDDLE = 125.5;
  private static final double CHROMA_RANGE = 224;

  private final Look look;

  ChangedLook(Look look) {
    this.look = look;
  }

  @Override
  public String filters() {
    StringJoiner filters = new StringJoiner(",");
    if (look.changesColour()) {
      filters.add(
          String.format(
              Locale.ROOT,
              "format=yuv420p,lutyuv=y='clip(%.4f*(val-%.1f)+%.4f,16,235)'"
                  + ":u='clip(%.4f*(val-128)+%.4f,16,240)':v='clip(%.4f*(val-128)+%.4f,16,240)'",
              look.contrast(),
              LUMA_MIDDLE,
              LUMA_MIDDLE + look.brightness() * LUMA_RANGE,
              look.saturation(),
              128 - look.warmth() * CHROMA_RANGE,
              look.saturation(),
              128 + look.warmth() * CHROMA_RANGE));
    }
    if (look.mirrored()) {
      filters.add("hflip");
    }
    return filters.toString();
  }
}
