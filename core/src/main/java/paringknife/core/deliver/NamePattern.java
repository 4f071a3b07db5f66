package paringknife.core.deliver;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * How finished files are named: text with fields in braces. Underscores part a name; everything
 * else is made safe by {@link FileNames}.
 *
 * @param text up to {@value #LONGEST} characters, with at least one field
 */
public record NamePattern(String text) {
  static final int LONGEST = 200;

  /** File systems take 255 bytes; endings and numbers want some. */
  private static final int MOST_BYTES = 200;

  private static final Pattern FIELD = Pattern.compile("\\{([^{}]{0,40})\\}");

  public static final NamePattern USUAL = new NamePattern("{show} {episode}_{clip}_{spec}");

  /** What a name can be made of. */
  public enum Field {
    SHOW,
    EPISODE,
    CLIP,
    SPEC,
    /** Of the clip within the episode, from 01. */
    NUMBER,
    /** Of the day, as 2026-11-28. */
    DATE,
    /** As 42s. */
    LENGTH,
    /** As 1080x1920. */
    SIZE;

    private String written() {
      return name().toLowerCase(Locale.ROOT);
    }

    private static Field of(String written) {
      return Arrays.stream(values())
          .filter(f -> f.written().equals(written.strip().toLowerCase(Locale.ROOT)))
          .findFirst()
          .orElseThrow(
              () ->
                  new IllegalArgumentException(
                      "There is no field {"
                          + written
                          + "}; there are "
                          + Arrays.stream(values())
                              .map(f -> "{" + f.written() + "}")
                              .collect(Collectors.joining(", "))
                          + "."));
    }
  }

  public NamePattern {
    text = text.strip();
    if (text.length() > LONGEST) {
      throw new IllegalArgumentException("A pattern has up to " + LONGEST + " characters.");
    }
    if (FIELD.matcher(text).results().map(r -> Field.of(r.group(1))).count() == 0) {
      throw new IllegalArgumentException(
          "A pattern needs a field such as {clip}, or all files would have one name.");
    }
  }

  /** Whether a field is in it. */
  public boolean uses(Field field) {
    return FIELD.matcher(text).results().anyMatch(r -> Field.of(r.group(1)) == field);
  }

  /** The name of a file, without its ending. */
  public String name(Map<Field, String> values) {
    String filled =
        FIELD
            .matcher(text)
            .replaceAll(
                (MatchResult r) ->
                    Matcher.quoteReplacement(
                        values.getOrDefault(Field.of(r.group(1)), "").replace('_', ' ')));
    String name =
        Arrays.stream(filled.split("_"))
            .filter(p -> !p.isBlank())
            .map(FileNames::part)
            .collect(Collectors.joining("_"));
    return name.isEmpty() ? FileNames.part("") : within(name);
  }

  private static String within(String name) {
    int bytes = 0;
    int end = 0;
    while (end < name.length()) {
      int c = name.codePointAt(end);
      bytes += Character.toString(c).getBytes(StandardCharsets.UTF_8).length;
      if (bytes > MOST_BYTES) {
        break;
      }
      end += Character.charCount(c);
    }
    return name.substring(0, end);
  }
}
