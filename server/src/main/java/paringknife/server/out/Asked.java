package paringknife.server.out;

import java.util.List;
import paringknife.core.formats.SubtitleFormat;

/**
 * What somebody wants beside finished files.
 *
 * @param subtitles what names of files of captions end in
 * @param cuts what names of cut lists end in
 * @param covers whether covers are wanted
 */
record Asked(List<String> subtitles, List<String> cuts, boolean covers) {
  private static final String NONE = "none";
  private static final List<String> CUT_LISTS = List.of("otio", "edl", "csv");

  static Asked of(List<String> subtitles, List<String> cuts, boolean covers) {
    return new Asked(wanted(subtitles), wanted(cuts), covers);
  }

  private static List<String> wanted(List<String> formats) {
    return formats.stream().distinct().filter(s -> !s.equals(NONE)).toList();
  }

  /**
   * @throws IllegalArgumentException for formats that there are not
   */
  Parcels.Contents contents() {
    if (!CUT_LISTS.containsAll(cuts)) {
      throw new IllegalArgumentException("A cut list is written as otio, edl or csv.");
    }
    return new Parcels.Contents(subtitles.stream().map(Asked::format).toList(), cuts, covers);
  }

  private static SubtitleFormat format(String extension) {
    return SubtitleFormat.byExtension(extension)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "Captions are written as srt, vtt, ttml, ass or txt."));
  }
}
