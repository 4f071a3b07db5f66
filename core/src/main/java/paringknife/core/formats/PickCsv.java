package paringknife.core.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import paringknife.core.time.Span;

/**
 * Picks as CSV (RFC 4180): in, out, title; times as {@code 00:01:02.500}, or seconds, in any column
 * order.
 */
public final class PickCsv {
  private static final Pattern CLOCK =
      Pattern.compile("(?:(\\d{1,4}):)?(\\d{1,2}):(\\d{1,2})(?:[.,](\\d{1,3}))?");

  private PickCsv() {}

  public static String write(List<TimedText> picks) {
    StringBuilder csv = new StringBuilder("in,out,title\r\n");
    for (TimedText pick : picks) {
      csv.append(ClockText.of(pick.span().startUs(), '.'))
          .append(',')
          .append(ClockText.of(pick.span().endUs(), '.'))
          .append(',');
      csv.append('"').append(pick.text().replace("\"", "\"\"")).append("\"\r\n");
    }
    return csv.toString();
  }

  /**
   * Reads picks; a line that has no two times is told and left out.
   *
   * @throws IllegalArgumentException when no line is a pick
   */
  public static ImportedText read(String text) {
    List<TimedText> picks = new ArrayList<>();
    List<String> mended = new ArrayList<>();
    int number = 0;
    for (String line : text.replace("\uFEFF", "").split("\\R")) {
      number++;
      if (line.isBlank()) {
        continue;
      }
      List<String> fields = fields(line);
      List<Long> times = new ArrayList<>();
      List<String> words = new ArrayList<>();
      for (String field : fields) {
        Long us = time(field);
        if (us != null && times.size() < 2) {
          times.add(us);
        } else if (!field.isBlank()) {
          words.add(field.strip());
        }
      }
      if (times.size() == 2 && times.get(1) > times.get(0)) {
        picks.add(new TimedText(new Span(times.get(0), times.get(1)), String.join(", ", words)));
      } else if (number > 1) {
        mended.add("line " + number + " has no in and out, and was left out");
      }
    }
    if (picks.isEmpty()) {
      throw new IllegalArgumentException("no line with an in and an out time was found");
    }
    return new ImportedText(picks, mended);
  }

  private static @Nullable Long time(String field) {
    String clean = field.strip();
    Matcher clock = CLOCK.matcher(clean);
    if (clock.matches()) {
      long hours = clock.group(1) == null ? 0 : Long.parseLong(clock.group(1));
      long seconds =
          (hours * 60 + Long.parseLong(clock.group(2))) * 60 + Long.parseLong(clock.group(3));
      String fraction = clock.group(4) == null ? "000" : (clock.group(4) + "00").substring(0, 3);
      return seconds * 1_000_000 + Long.parseLong(fraction) * 1_000;
    }
    return clean.matches("\\d{1,7}(\\.\\d+)?")
        ? Long.valueOf(Math.round(Double.parseDouble(clean) * 1e6))
        : null;
  }

  private static List<String> fields(String line) {
    List<String> fields = new ArrayList<>();
    StringBuilder field = new StringBuilder();
    boolean quoted = false;
    char separator =
        line.indexOf(';') >= 0 && line.indexOf(',') < 0
            ? ';'
            : line.indexOf('\t') >= 0 && line.indexOf(',') < 0 ? '\t' : ',';
    for (int i = 0; i < line.length(); i++) {
      char c = line.charAt(i);
      if (quoted && c == '"' && i + 1 < line.length() && line.charAt(i + 1) == '"') {
        field.append('"');
        i++;
      } else if (c == '"') {
        quoted = !quoted;
      } else if (c == separator && !quoted) {
        fields.add(field.toString());
        field.setLength(0);
      } else {
        field.append(c);
      }
    }
    fields.add(field.toString());
    return fields;
  }
}
