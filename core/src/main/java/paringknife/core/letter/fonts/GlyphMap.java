package paringknife.core.letter.fonts;

import java.nio.ByteBuffer;
import org.jspecify.annotations.Nullable;

/** Which glyph a font draws for a letter (ISO/IEC 14496-22, "cmap", formats 4 and 12). */
final class GlyphMap {
  private static final int BY_SEGMENTS = 4;
  private static final int BY_GROUPS = 12;

  private final ByteBuffer map;
  private final int format;

  private GlyphMap(ByteBuffer map, int format) {
    this.map = map;
    this.format = format;
  }

  static GlyphMap of(ByteBuffer cmap) {
    int tables = Math.min(100, cmap.getShort(2) & 0xFFFF);
    GlyphMap best = null;
    for (int t = 0; t < tables; t++) {
      best = better(best, cmap, cmap.getInt(4 + 8 * t + 4));
    }
    if (best == null) {
      throw new UnusableFont();
    }
    return best;
  }

  private static @Nullable GlyphMap better(@Nullable GlyphMap than, ByteBuffer cmap, int at) {
    int format = cmap.getShort(at) & 0xFFFF;
    boolean isOne = format == BY_SEGMENTS || format == BY_GROUPS;
    return isOne && (than == null || than.format < format)
        ? new GlyphMap(cmap.slice(at, cmap.limit() - at), format)
        : than;
  }

  /** The glyph for a letter; 0 where there is none. */
  int of(int codePoint) {
    try {
      return format == BY_GROUPS ? inGroups(codePoint) : inSegments(codePoint);
    } catch (IndexOutOfBoundsException leadsNowhere) {
      return 0;
    }
  }

  private int inGroups(int codePoint) {
    int low = 0;
    int high = Math.min(map.getInt(12), (map.limit() - 16) / 12) - 1;
    while (low <= high) {
      int middle = (low + high) >>> 1;
      int at = 16 + 12 * middle;
      if (codePoint < map.getInt(at)) {
        high = middle - 1;
      } else if (codePoint > map.getInt(at + 4)) {
        low = middle + 1;
      } else {
        return map.getInt(at + 8) + codePoint - map.getInt(at);
      }
    }
    return 0;
  }

  private int inSegments(int codePoint) {
    if (codePoint > 0xFFFF) {
      return 0;
    }
    int doubled = map.getShort(6) & 0xFFFF;
    for (int s = 0; s < doubled; s += 2) {
      if (codePoint > (map.getShort(14 + s) & 0xFFFF)) {
        continue;
      }
      int start = map.getShort(16 + doubled + s) & 0xFFFF;
      if (codePoint < start) {
        return 0;
      }
      int delta = map.getShort(16 + 2 * doubled + s);
      int rangeAt = 16 + 3 * doubled + s;
      int range = map.getShort(rangeAt) & 0xFFFF;
      if (range == 0) {
        return codePoint + delta & 0xFFFF;
      }
      int glyphAt = rangeAt + range + 2 * (codePoint - start);
      int glyph = glyphAt + 2 <= map.limit() ? map.getShort(glyphAt) & 0xFFFF : 0;
      return glyph == 0 ? 0 : glyph + delta & 0xFFFF;
    }
    return 0;
  }
}
