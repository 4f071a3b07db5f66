package paringknife.core.letter.fonts;

import java.nio.ByteBuffer;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/** The family that a font's name table states (name 1; ISO/IEC 14496-22, "name"). */
final class FamilyName {
  private static final int FAMILY = 1;
  private static final int WINDOWS = 3;
  private static final int MACINTOSH = 1;
  private static final int ENGLISH = 0x409;
  private static final int MOST_NAMES = 500;

  private FamilyName() {}

  static String of(ByteBuffer names) {
    int count = Math.min(MOST_NAMES, names.getShort(2) & 0xFFFF);
    int texts = names.getShort(4) & 0xFFFF;
    String found = "";
    for (int i = 0; i < count; i++) {
      int at = 6 + 12 * i;
      int platform = names.getShort(at);
      if (names.getShort(at + 6) != FAMILY || platform != WINDOWS && platform != MACINTOSH) {
        continue;
      }
      Charset charset =
          platform == WINDOWS ? StandardCharsets.UTF_16BE : StandardCharsets.ISO_8859_1;
      byte[] text = new byte[Math.min(400, names.getShort(at + 8) & 0xFFFF)];
      names.get(texts + (names.getShort(at + 10) & 0xFFFF), text);
      boolean best = platform == WINDOWS && names.getShort(at + 4) == ENGLISH;
      if (found.isEmpty() || best) {
        found = new String(text, charset).strip();
      }
      if (best) {
        break;
      }
    }
    if (found.isEmpty()) {
      throw new UnusableFont();
    }
    return found;
  }
}
