package paringknife.media.ffmpeg;

import java.util.ArrayList;
import java.util.List;

/**
 * Brings pictures as they were recorded to what everything else here takes for granted: whole
 * pictures instead of fields, square pixels, one size, colours whose matrix is known. Most
 * recordings are so already.
 */
final class Straightened {
  private Straightened() {}

  /** Filters with a comma after them. */
  static String filters(Recording.Picture picture) {
    List<String> filters = new ArrayList<>();
    if (picture.form().interlaced()) {
      filters.add("bwdif=mode=send_frame:deint=all");
    }
    if (!picture.form().matrix().isEmpty()) {
      filters.add("setparams=colorspace=" + picture.form().matrix());
    }
    // Recorded conversations begin small and grow; a picture that has the size is passed on as it
    // is.
    filters.add("scale=" + picture.width() + ":" + picture.height() + ":flags=bicubic");
    if (!picture.form().squarePixels()) {
      filters.add("setsar=1");
    }
    return String.join(",", filters) + ",";
  }
}
