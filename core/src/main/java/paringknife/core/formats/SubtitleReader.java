package paringknife.core.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.core.time.Span;

/**
 * Reads SubRip and WebVTT leniently: byte-order marks, Windows line ends, missing numbers, styling
 * tags and cue settings are accepted, cues are brought into order, and what was mended is listed.
 */
public final class SubtitleReader {
  private static final Pattern TIMING =
      Pattern.compile(
          "(?:(\\d{1,4}):)?(\\d{1,2}):(\\d{1,2})[.,](\\d{1,3})\\s*-->\\s*(?:(\\d{1,4}):)?(\\d{1,2}):(\\d{1,2})[.,](\\d{1,3}).*");

  private SubtitleReader() {}

  /**
   * Reads all cues of a file's text.
   *
   * @throws IllegalArgumentException when it holds no cue at all
   */
  public static ImportedText read(String text) {
    List<TimedText> cues = new ArrayList<>();
    List<String> mended = new ArrayList<>();
    String[] lines = text.replace("\uFEFF", "").split("\\R", -1);
    int backwards = 0;
    for (int i = 0; i < lines.length; i++) {
      Matcher timing = TIMING.matcher(lines[i].trim());
      if (!timing.matches()) {
        continue;
      }
      List<String> body = new ArrayList<>();
      while (i + 1 < lines.length && !lines[i + 1].isBlank()) {
        body.add(StylingTags.without(lines[++i]));
      }
      long start = micros(timing, 1);
      long end = micros(timing, 5);
      String joined = String.join("\n", body).trim();
      if (end < start) {
        backwards++;
        end = start;
      }
      if (!joined.isEmpty()) {
        cues.add(new TimedText(new Span(start, end), joined));
      }
    }
    if (cues.isEmpty()) {
      throw new IllegalArgumentException("no caption with a time was found in this file");
    }
    if (backwards > 0) {
      mended.add(backwards + " captions ended before they started");
    }
    return CueOrder.inOrder(cues, mended);
  }

  private static long micros(Matcher timing, int group) {
    long hours = timing.group(group) == null ? 0 : Long.parseLong(timing.group(group));
    String fraction = (timing.group(group + 3) + "00").substring(0, 3);
    return ((hours * 60 + Long.parseLong(timing.group(group + 1))) * 60
                + Long.parseLong(timing.group(group + 2)))
            * 1_000_000
        + Long.parseLong(fraction) * 1_000;
  }
}
