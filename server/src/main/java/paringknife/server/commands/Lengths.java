package paringknife.server.commands;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import paringknife.core.pick.Brief;

/** Reads {@code MIN-MAX} seconds and subjects into a brief. */
final class Lengths {
  private static final Pattern RANGE = Pattern.compile("(\\d+(?:\\.\\d+)?)-(\\d+(?:\\.\\d+)?)");

  private Lengths() {}

  static Brief brief(int clips, String length, String about) {
    Matcher range = RANGE.matcher(length.trim());
    if (!range.matches()) {
      throw new IllegalArgumentException("A length is written like 20-55, not \"" + length + "\".");
    }
    List<String> subjects = Stream.of(about.split("[,;\\s]+")).filter(s -> !s.isEmpty()).toList();
    return new Brief(clips, micros(range.group(1)), micros(range.group(2)), subjects);
  }

  private static long micros(String seconds) {
    return Math.round(Double.parseDouble(seconds) * 1e6);
  }
}
