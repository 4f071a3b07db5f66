package paringknife.core.deliver;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import paringknife.core.writing.FieldPattern;

/** Names of files by a pattern; what several of them have in common is made safe once. */
public final class PatternNames {
  /** File systems take 255 bytes; endings and numbers want some. */
  private static final int MOST_BYTES = 200;

  /** A char of a Java string takes at most so many in UTF-8. */
  private static final int BYTES_A_CHAR = 3;

  private final List<FieldPattern<NamePattern.Field>> parts;
  private final Map<String, String> safe = new HashMap<>();

  public PatternNames(NamePattern pattern) {
    parts =
        Arrays.stream(pattern.text().split("_"))
            .map(p -> new FieldPattern<>(p, NamePattern.Field.class))
            .toList();
  }

  /** The name of a file, without its ending. */
  public String of(Map<NamePattern.Field, String> values) {
    String name =
        parts.stream()
            .map(p -> p.filled(values, v -> v.replace('_', ' ')))
            .filter(p -> !p.isBlank())
            .map(p -> safe.computeIfAbsent(p, FileNames::part))
            .collect(Collectors.joining("_"));
    return name.isEmpty() ? FileNames.part("") : within(name);
  }

  private static String within(String name) {
    if (name.length() * BYTES_A_CHAR <= MOST_BYTES) {
      return name;
    }
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
