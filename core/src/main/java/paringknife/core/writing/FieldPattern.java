package paringknife.core.writing;

import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Text with fields in braces, such as {@code {clip}}.
 *
 * @param fields all that there are
 */
public record FieldPattern<F extends Enum<F>>(String text, Class<F> fields) {
  private static final Pattern FIELD = Pattern.compile("\\{([^{}]{0,40})\\}");

  private F of(String written) {
    return Arrays.stream(fields.getEnumConstants())
        .filter(f -> written(f).equals(written.strip().toLowerCase(Locale.ROOT)))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "There is no field {"
                        + written
                        + "}; there are "
                        + Arrays.stream(fields.getEnumConstants())
                            .map(f -> "{" + written(f) + "}")
                            .collect(Collectors.joining(", "))
                        + "."));
  }

  private static String written(Enum<?> field) {
    return field.name().toLowerCase(Locale.ROOT);
  }

  /**
   * How many fields are in it.
   *
   * @throws IllegalArgumentException for one that there is not, with those that there are
   */
  public int count() {
    return FIELD.matcher(text).results().map(r -> of(r.group(1))).toList().size();
  }

  /** Whether a field is in it. */
  public boolean uses(F field) {
    return FIELD.matcher(text).results().anyMatch(r -> of(r.group(1)) == field);
  }

  /** With what stands for the fields; nothing for one that has no value. */
  public String filled(Map<F, String> values, Function<String, String> each) {
    return FIELD
        .matcher(text)
        .replaceAll(
            (MatchResult r) ->
                Matcher.quoteReplacement(each.apply(values.getOrDefault(of(r.group(1)), ""))));
  }
}
