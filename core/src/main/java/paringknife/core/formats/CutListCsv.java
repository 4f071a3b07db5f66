package paringknife.core.formats;

import java.util.List;
import java.util.Locale;
import paringknife.core.time.FrameRate;

/**
 * A cut list as CSV (RFC 4180): number, source in and out, record in and out, as timecode and
 * seconds, and whether one frame is held.
 */
public final class CutListCsv {
  private CutListCsv() {}

  public static String write(
      List<EditEvent> events, FrameRate rate, boolean dropFrame, int handles, double speed) {
    Timecode timecode = new Timecode(rate, dropFrame);
    StringBuilder csv =
        new StringBuilder(
            "number,source in,source out,record in,record out,source in seconds,source out seconds,held,speed\r\n");
    PlayedFrames record = new PlayedFrames(speed);
    int number = 1;
    for (EditEvent event : events) {
      long in = event.held() ? event.sourceFrame() : Math.max(0, event.sourceFrame() - handles);
      long out = event.held() ? in + 1 : event.sourceFrame() + event.count() + handles;
      long played = event.held() ? event.count() : out - in;
      csv.append(
          String.format(
              Locale.ROOT,
              "%d,%s,%s,%s,%s,%.6f,%.6f,%s,%s\r\n",
              number++,
              timecode.of(in),
              timecode.of(out),
              timecode.of(record.at()),
              timecode.of(record.after(played)),
              rate.startUs(in) / 1e6,
              rate.startUs(out) / 1e6,
              event.held() ? "yes" : "",
              Double.toString(speed)));
      record.add(played);
    }
    return csv.toString();
  }
}
