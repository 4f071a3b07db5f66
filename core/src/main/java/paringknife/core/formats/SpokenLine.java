package paringknife.core.formats;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A line of a text that may open with who says it, as in {@code Ada Moor: How did it begin?} A name
 * is up to five words that begin with a capital, numbers, or particles such as "van"; so that "It
 * came in one night: all of it." is nobody's name.
 *
 * @param speaker null where the line names nobody
 * @param text what is said, stripped
 */
record SpokenLine(@Nullable String speaker, String text) {
  private static final String NAME = "\\p{Lu}[\\p{L}\\p{M}.'\u2019-]*";
  private static final Pattern NAMED =
      Pattern.compile(
          "^(?:-\\s*)?("
              + NAME
              + "(?: (?:"
              + NAME
              + "|\\d{1,3}|de|del|der|den|di|da|la|le|van|von|of|the|and)){0,4}):\\s+(.*)$");

  static SpokenLine of(String line) {
    Matcher named = NAMED.matcher(line.strip());
    return named.matches()
        ? new SpokenLine(named.group(1), named.group(2).strip())
        : new SpokenLine(null, line.strip());
  }

  /**
   * Index of who says it among the speakers, who are added to when somebody new is named.
   *
   * @param before who spoke before, and goes on where nobody is named
   */
  int speakerAmong(List<String> speakers, int before) {
    if (speaker == null) {
      return before;
    }
    if (!speakers.contains(speaker)) {
      speakers.add(speaker);
    }
    return speakers.indexOf(speaker);
  }
}
