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
  private static final Pattern FASTER = Pattern.compile("^M2\\s+\\S+\\s+\\d");

  private EditDecisionList() {}

  /**
   * Writes a list.
   *
   * @param title of the cut
   * @param file name of the recording, for the comment that players read it from
   * @param handles frames shown before and after each piece
   * @param speed how fast it plays; each piece gets a motion effect (M2) of so many frames a second
   */
  public static String write(
      String title,
      String file,
      List<EditEvent> events,
      FrameRate rate,
      boolean dropFrame,
      int handles,
      double speed) {
    Timecode timecode = new Timecode(rate, dropFrame);
    StringBuilder text = new StringBuilder();
    text.append("TITLE: ").append(plain(title, 70)).append("\r\n");
    text.append("FCM: ")
        .append(timecode.isDropFrame() ? "DROP FRAME" : "NON-DROP FRAME")
        .append("\r\n\r\n");
    PlayedFrames played = new PlayedFrames(speed);
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
                timecode.of(played.at()),
                timecode.of(played.after(event.count()))));
        text.append(
            String.format(Locale.ROOT, "M2   %-8s       000.0                %s\r\n", "AX", at));
        text.append("* FROM CLIP NAME: ").append(plain(file, 120)).append("\r\n");
        played.add(event.count());
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
              timecode.of(played.at()),
              timecode.of(played.after(out - in))));
      if (speed != 1) {
        text.append(
            String.format(
                Locale.ROOT,
                "M2   %-8s       %05.1f                %s\r\n",
                "AX",
                rate.perSecond() * speed,
                timecode.of(in)));
      }
      text.append("* FROM CLIP NAME: ").append(plain(file, 120)).append("\r\n");
      played.add(out - in);
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
    long sourceFrames = 0;
    for (String line : text.split("\\R")) {
      Matcher event = EVENT.matcher(line);
      if (event.matches()) {
        long in = timecode.frame(event.group(4));
        sourceFrames = timecode.frame(event.group(5)) - in;
        events.add(
            new EditEvent(
                in,
                timecode.frame(event.group(6)),
                timecode.frame(event.group(7)) - timecode.frame(event.group(6))));
      } else if (HELD.matcher(line).find() && !events.isEmpty()) {
        EditEvent last = events.remove(events.size() - 1);
        events.add(new EditEvent(last.sourceFrame(), last.recordFrame(), last.count(), true));
      } else if (FASTER.matcher(line).find() && !events.isEmpty()) {
        EditEvent last = events.remove(events.size() - 1);
        events.add(new EditEvent(last.sourceFrame(), last.recordFrame(), sourceFrames));
      }
    }
    if (events.isEmpty()) {
      throw new IllegalArgumentException("no cut was found in this edit decision list");
    }
    return events;
  }
}
