package paringknife.core.letter.drawn;

import java.util.Locale;
import paringknife.core.letter.style.Face;

/** Text as it may stand in a script: what would be read as an instruction is not there any more. */
final class DrawnText {
  private DrawnText() {}

  /** Makes text harmless: no override blocks, no escapes, no line and no direction of its own. */
  static String harmless(String text) {
    StringBuilder out = new StringBuilder(text.length());
    text.codePoints()
        .forEach(
            c -> {
              switch (c) {
                case '\\' -> out.append('/');
                case '{' -> out.append('(');
                case '}' -> out.append(')');
                default -> {
                  if (Character.isWhitespace(c) || Character.isISOControl(c)) {
                    out.append(' ');
                  } else if (isDrawn(c)) {
                    out.appendCodePoint(c);
                  }
                }
              }
            });
    return out.toString();
  }

  /** Joiners are part of some scripts; marks of direction and of nothing are not drawn. */
  private static boolean isDrawn(int c) {
    boolean joins = c == 0x200C || c == 0x200D;
    int kind = Character.getType(c);
    return joins
        || kind != Character.FORMAT
            && kind != Character.SURROGATE
            && kind != Character.PRIVATE_USE
            && kind != Character.UNASSIGNED
            && kind != Character.LINE_SEPARATOR
            && kind != Character.PARAGRAPH_SEPARATOR;
  }

  /** In the case that a face sets text in. */
  static String cased(String text, Face face) {
    return switch (face.letterCase()) {
      case AS_WRITTEN -> text;
      case CAPITALS -> text.toUpperCase(Locale.ROOT);
      case SMALL -> text.toLowerCase(Locale.ROOT);
    };
  }
}
