package paringknife.core.writing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Text with fields in braces, such as {@code {clip}}. */
public final class FieldPattern<F extends Enum<F>> {
  private static final Pattern FIELD = Pattern.compile("\\{([^{}]{0,40})\\}");

  private final List<F> fields = new ArrayList<>();

  /** What stands before each of the fields, and after the last. */
  private final List<String> between = new ArrayList<>();

  /**
   * Reads a pattern.
   *
   * @param known all fields that there are
   * @throws IllegalArgumentException for a field that there is not, with those that there are
   */
  public FieldPattern(String text, Class<F> known) {
    Matcher field = FIELD.matcher(text);
    int end = 0;
    while (field.find()) {
      between.add(text.substring(end, field.start()));
      fields.add(of(field.group(1), known));
      end = field.end();
    }
    between.add(text.substring(end));
  }

  private static <F extends Enum<F>> F of(String written, Class<F> known) {
    return Arrays.stream(known.getEnumConstants())
        .filter(f -> written(f).equals(written.strip().toLowerCase(Locale.ROOT)))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "There is no field {"
                        + written
                        + "}; there are "
                        + Arrays.stream(known.getEnumConstants())
                            .map(f -> "{" + written(f) + "}")
                            .collect(Collectors.joining(", "))
                        + "."));
  }

  private static String written(Enum<?> field) {
    return field.name().toLowerCase(Locale.ROOT);
  }

  /** How many fields are in it. */
  public int count() {
    return fields.size();
  }

  /** Whether a field is in it. */
  public boolean uses(F field) {
    return fields.contains(field);
  }

  /** With what stands for the fields; nothing for one that has no value. */
  public String filled(Map<F, String> values, UnaryOperator<String> each) {
    StringBuilder filled = new StringBuilder(between.get(0));
    for (int i = 0; i < fields.size(); i++) {
      filled.append(each.apply(values.getOrDefault(fields.get(i), ""))).append(between.get(i + 1));
    }
    return filled.toString();
  }
}
