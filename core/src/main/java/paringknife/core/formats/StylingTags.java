package paringknife.core.formats;

/**
 * Takes the styling out of a caption's line: {@code <i>} and the like, ASS overrides, character
 * references. One pass, so that a line of any length takes time in proportion.
 */
final class StylingTags {
  private StylingTags() {}

  static String without(String line) {
    String bare = withoutOverrides(withoutTags(line));
    return bare.indexOf('&') < 0 ? bare.strip() : resolved(bare).strip();
  }

  /** A tag goes from a bracket to the next closing one, with no other bracket between. */
  private static String withoutTags(String line) {
    if (line.indexOf('<') < 0) {
      return line;
    }
    StringBuilder out = new StringBuilder(line.length());
    int open = -1;
    for (int i = 0; i < line.length(); i++) {
      char c = line.charAt(i);
      if (c == '<') {
        out.append(line, open < 0 ? i : open, i);
        open = i;
      } else if (c == '>' && open >= 0) {
        open = -1;
      } else if (open < 0) {
        out.append(c);
      }
    }
    return open < 0 ? out.toString() : out.append(line, open, line.length()).toString();
  }

  /** An override goes from a brace and backslash to the next closing brace. */
  private static String withoutOverrides(String line) {
    int open = line.indexOf("{\\");
    if (open < 0 || line.indexOf('}', open) < 0) {
      return line;
    }
    StringBuilder out = new StringBuilder(line.length());
    int from = 0;
    while (open >= 0) {
      int close = line.indexOf('}', open);
      if (close < 0) {
        break;
      }
      out.append(line, from, open);
      from = close + 1;
      open = line.indexOf("{\\", from);
    }
    return out.append(line, from, line.length()).toString();
  }

  private static String resolved(String line) {
    return line.replace("&lt;", "<")
        .replace("&gt;", ">")
        .replace("&nbsp;", " ")
        .replace("&lrm;", "")
        .replace("&rlm;", "")
        .replace("&amp;", "&");
  }
}
