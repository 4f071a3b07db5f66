package paringknife.core.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.core.time.FrameRate;

/**
 * The CMX 3600 edit decision list: cuts only, picture and sound together, one reel. A held frame is
 * a picture event with a motion effect (M2) of speed 0.
 */
public final class EditDecisionList {
  private static final Pattern EVENT =
      Pattern.compile(
          "^(\\d+)\\s+(\\S+)\\s+(\\S+)\\s+C\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s*$");

  private static final Pattern HELD = Pattern.compile("^M2\\s+\\S+\\s+0*\\.?0+\\s");

  private EditDecisionList() {}

  /**
   * Writes a list.
   *
   * @param title of the cut
   * @param file name of the recording, for the comment that players read it from
   * @param handles frames shown before and after each piece
   */
  public static String write(
      String title,
      String file,
      List<EditEvent> events,
      FrameRate rate,
      boolean dropFrame,
      int handles) {
    Timecode timecode = new Timecode(rate, dropFrame);
    StringBuilder text = new StringBuilder();
    text.append("TITLE: ").append(plain(title, 70)).append("\r\n");
    text.append("FCM: ")
        .append(timecode.isDropFrame() ? "DROP FRAME" : "NON-DROP FRAME")
        .append("\r\n\r\n");
    long record = 0;
    int number = 1;
    for (EditEvent event : events) {
      if (event.held()) {
        String at = timecode.of(event.sourceFrame());
        text.append(
            String.format(
                Locale.ROOT,
                "%03d  %-8s V     C        %s %s %s %s\r\n",
                number++,
                "AX",
                at,
                timecode.of(event.sourceFrame() + 1),
                timecode.of(record),
                timecode.of(record + event.count())));
        text.append(
            String.format(Locale.ROOT, "M2   %-8s       000.0                %s\r\n", "AX", at));
        text.append("* FROM CLIP NAME: ").append(plain(file, 120)).append("\r\n");
        record += event.count();
        continue;
      }
      long in = Math.max(0, event.sourceFrame() - handles);
      long out = event.sourceFrame() + event.count() + handles;
      text.append(
          String.format(
              Locale.ROOT,
              "%03d  %-8s AA/V  C        %s %s %s %s\r\n",
              number++,
              "AX",
              timecode.of(in),
              timecode.of(out),
              timecode.of(record),
              timecode.of(record + out - in)));
      text.append("* FROM CLIP NAME: ").append(plain(file, 120)).append("\r\n");
      record += out - in;
    }
    return text.toString();
  }

  private static String plain(String text, int most) {
    String clean = text.replaceAll("[\\s\\p{Cntrl}]+", " ").strip();
    return clean.substring(0, Math.min(most, clean.length()));
  }

  /**
   * Reads the cuts of a list.
   *
   * @throws IllegalArgumentException when there is none
   */
  public static List<EditEvent> read(String text, FrameRate rate) {
    boolean drop = text.contains("FCM: DROP FRAME");
    Timecode timecode = new Timecode(rate, drop);
    List<EditEvent> events = new ArrayList<>();
    for (String line : text.split("\\R")) {
      Matcher event = EVENT.matcher(line);
      if (event.matches()) {
        long in = timecode.frame(event.group(4));
        events.add(
            new EditEvent(
                in,
                timecode.frame(event.group(6)),
                timecode.frame(event.group(7)) - timecode.frame(event.group(6))));
      } else if (HELD.matcher(line).find() && !events.isEmpty()) {
        EditEvent last = events.remove(events.size() - 1);
        events.add(new EditEvent(last.sourceFrame(), last.recordFrame(), last.count(), true));
      }
    }
    if (events.isEmpty()) {
      throw new IllegalArgumentException("no cut was found in this edit decision list");
    }
    return events;
  }
}
