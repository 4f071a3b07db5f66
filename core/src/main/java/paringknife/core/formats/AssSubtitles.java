package paringknife.core.formats;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.core.time.Span;

/**
 * Captions as an ASS v4+ script carries them: times in hundredths of a second and text. Of a script
 * that is read the styling goes; one that is written has a single plain style.
 */
public final class AssSubtitles {
  private static final Pattern TIME =
      Pattern.compile("\\s*(\\d{1,4}):(\\d{1,2}):(\\d{1,2})[.:](\\d{1,3})\\s*");
  private static final List<String> USUAL_FIELDS =
      List.of(
          "layer", "start", "end", "style", "name", "marginl", "marginr", "marginv", "effect",
          "text");

  private AssSubtitles() {}

  /**
   * Reads all dialogue of a script.
   *
   * @throws IllegalArgumentException when there is none with a time
   */
  public static ImportedText read(String text) {
    List<String> fields = USUAL_FIELDS;
    boolean events = false;
    List<TimedText> cues = new ArrayList<>();
    int without = 0;
    for (String line : text.replace("\uFEFF", "").split("\\R")) {
      if (line.startsWith("[")) {
        events = line.strip().equalsIgnoreCase("[Events]");
      } else if (events && line.startsWith("Format:")) {
        fields =
            Arrays.stream(line.substring(7).split(",", 64))
                .map(f -> f.strip().toLowerCase(Locale.ROOT))
                .toList();
      } else if (events && line.startsWith("Dialogue:")) {
        String[] parts = line.substring(9).split(",", Math.max(1, fields.size()));
        int start = fields.indexOf("start");
        int end = fields.indexOf("end");
        if (start < 0 || end < 0 || parts.length < fields.size()) {
          without++;
          continue;
        }
        long from = micros(parts[start]);
        long to = micros(parts[end]);
        String said = plain(parts[fields.size() - 1]);
        if (from < 0 || to < 0) {
          without++;
        } else if (!said.isBlank()) {
          cues.add(new TimedText(new Span(from, Math.max(from, to)), said));
        }
      }
    }
    if (cues.isEmpty()) {
      throw new IllegalArgumentException("no caption with a time was found in this file");
    }
    List<String> mended = new ArrayList<>();
    if (without > 0) {
      mended.add(without + " lines had no time and were left out");
    }
    return CueOrder.inOrder(cues, mended);
  }

  private static String plain(String text) {
    StringBuilder lines = new StringBuilder();
    for (String line : text.replace("\\n", "\\N").replace("\\h", " ").split("\\\\N")) {
      String bare = StylingTags.without(line);
      if (!bare.isEmpty()) {
        lines.append(lines.isEmpty() ? "" : "\n").append(bare);
      }
    }
    return lines.toString();
  }

  private static long micros(String time) {
    Matcher parts = TIME.matcher(time);
    if (!parts.matches()) {
      return -1;
    }
    long seconds =
        (Long.parseLong(parts.group(1)) * 60 + Long.parseLong(parts.group(2))) * 60
            + Long.parseLong(parts.group(3));
    return seconds * 1_000_000 + Long.parseLong((parts.group(4) + "00").substring(0, 3)) * 1_000;
  }

  /** Writes captions; nothing in them is taken for styling. */
  public static String write(List<TimedText> cues) {
    StringBuilder out = new StringBuilder();
    out.append("[Script Info]\nScriptType: v4.00+\nPlayResX: 1920\nPlayResY: 1080\n\n");
    out.append("[V4+ Styles]\n");
    out.append("Format: Name, Fontname, Fontsize, Alignment, MarginV\n");
    out.append("Style: Default,sans-serif,64,2,60\n\n[Events]\n");
    out.append("Format: Layer, Start, End, Style, Text\n");
    for (TimedText cue : cues) {
      out.append("Dialogue: 0,").append(clock(cue.span().startUs())).append(',');
      out.append(clock(cue.span().endUs())).append(",Default,");
      String safe = cue.text().replace('\\', '/').replace('{', '(').replace('}', ')');
      out.append(safe.replaceAll("\\R", "\\\\N")).append('\n');
    }
    return out.toString();
  }

  private static String clock(long us) {
    long cs = (us + 5_000) / 10_000;
    return String.format(
        Locale.ROOT, "%d:%02d:%02d.%02d", cs / 360_000, cs / 6_000 % 60, cs / 100 % 60, cs % 100);
  }
}
