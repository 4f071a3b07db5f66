package paringknife.media.ffmpeg;

import java.util.Locale;
import paringknife.core.frame.colour.ColourMap;

/**
 * Maps the colours of pictures in BT.709, studio range, 4:2:0. Luma goes from 16 to 235, chroma
 * from 16 to 240 about 128 (Recommendation ITU-R BT.709); what chroma takes from luma is mixed in
 * at the size of chroma, which costs little.
 */
final class MappedColours {
  private static final double BLACK = 16;
  private static final double GREY = 128;
  private static final double LUMA_RANGE = 219;
  private static final double CHROMA_RANGE = 224;

  private final ColourMap map;

  MappedColours(ColourMap map) {
    this.map = map;
  }

  /**
   * Filters with a comma before them; empty where colours stay.
   *
   * @param label that nothing else in the graph begins with
   */
  String filters(String label) {
    if (map.changesNothing()) {
      return "";
    }
    double share = CHROMA_RANGE / LUMA_RANGE;
    double blueByLuma = map.blueByLuma() * share;
    double redByLuma = map.redByLuma() * share;
    return String.format(
            Locale.ROOT,
            ",extractplanes=y+u+v[@y][@u][@v];[@y]split[@o][@s];[@o]lutyuv=y='%s'[@l];"
                + "[@s]scale=ceil(iw/2):ceil(ih/2):flags=area,split[@b][@r];"
                + "[@u]lutyuv=y='%s'[@c];[@c][@b]mix=inputs=2:weights='1 %.5f':scale=1[@m];"
                + "[@v]lutyuv=y='%s'[@d];[@d][@r]mix=inputs=2:weights='1 %.5f':scale=1[@n];"
                + "[@l][@m][@n]mergeplanes=0x001020:yuv420p",
            changed(map.lumaTimes(), BLACK, BLACK + map.lumaAdded() * LUMA_RANGE),
            changed(
                map.blueTimes(), GREY, GREY + map.blueAdded() * CHROMA_RANGE - blueByLuma * BLACK),
            blueByLuma,
            changed(map.redTimes(), GREY, GREY + map.redAdded() * CHROMA_RANGE - redByLuma * BLACK),
            redByLuma)
        .replace("@", label);
  }

  private static String changed(double times, double from, double to) {
    return String.format(Locale.ROOT, "clip(%.5f*(val-%.1f)+%.3f,0,255)", times, from, to);
  }
}
