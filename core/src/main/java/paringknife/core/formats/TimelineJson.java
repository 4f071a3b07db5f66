package paringknife.core.formats;

import java.util.List;
import java.util.Locale;
import paringknife.core.time.FrameRate;

/**
 * OpenTimelineIO JSON, schema 1: one picture track and one sound track of clips of one recording.
 * Held frames are clips with a freeze-frame effect; the sound has a gap there.
 */
public final class TimelineJson {
  private TimelineJson() {}

  /**
   * Writes a timeline.
   *
   * @param file name of the recording
   * @param mediaFrames length of the recording
   * @param speed how fast it plays; each piece gets a linear time warp
   * @param handles frames around each piece that are marked as available
   */
  public static String write(
      String title,
      String file,
      long mediaFrames,
      List<EditEvent> events,
      FrameRate rate,
      int handles,
      double speed) {
    StringBuilder json = new StringBuilder();
    json.append("{\"OTIO_SCHEMA\":\"Timeline.1\",\"name\":")
        .append(quoted(title))
        .append(",\"global_start_time\":null,\"metadata\":{},");
    json.append(
        "\"tracks\":{\"OTIO_SCHEMA\":\"Stack.1\",\"name\":\"tracks\",\"source_range\":null,\"effects\":[],\"markers\":[],\"metadata\":{},\"children\":[");
    json.append(track("Video", file, mediaFrames, events, rate, handles, speed)).append(',');
    json.append(track("Audio", file, mediaFrames, events, rate, handles, speed));
    return json.append("]}}\n").toString();
  }

  private static String track(
      String kind,
      String file,
      long mediaFrames,
      List<EditEvent> events,
      FrameRate rate,
      int handles,
      double speed) {
    StringBuilder json = new StringBuilder();
    json.append("{\"OTIO_SCHEMA\":\"Track.1\",\"name\":")
        .append(quoted(kind))
        .append(",\"kind\":")
        .append(quoted(kind));
    json.append(
        ",\"source_range\":null,\"effects\":[],\"markers\":[],\"metadata\":{},\"children\":[");
    PlayedFrames played = new PlayedFrames(speed);
    boolean first = true;
    for (EditEvent event : events) {
      json.append(first ? "" : ",");
      first = false;
      long from = Math.max(0, event.sourceFrame() - handles);
      long to = Math.min(mediaFrames, event.sourceFrame() + event.count() + handles);
      boolean whole = handles == 0;
      long count = played.after(event.count()) - played.at();
      played.add(event.count());
      if (event.held() && kind.equals("Audio")) {
        json.append("{\"OTIO_SCHEMA\":\"Gap.1\",\"name\":\"room tone\",\"source_range\":")
            .append(range(0, count, rate))
            .append(",\"effects\":[],\"markers\":[],\"metadata\":{}}");
        continue;
      }
      String effects =
          !event.held()
              ? warp(speed)
              : "{\"OTIO_SCHEMA\":\"FreezeFrame.1\",\"name\":\"held\",\"effect_name\":\"FreezeFrame\",\"time_scalar\":0.0,\"metadata\":{}}";
      json.append("{\"OTIO_SCHEMA\":\"Clip.1\",\"name\":").append(quoted(file));
      json.append(",\"source_range\":").append(range(event.sourceFrame(), count, rate));
      json.append(",\"effects\":[")
          .append(effects)
          .append(
              "],\"markers\":[],\"metadata\":{},\"media_reference\":{\"OTIO_SCHEMA\":\"ExternalReference.1\",\"name\":\"\",\"metadata\":{},\"target_url\":")
          .append(quoted(file));
      json.append(",\"available_range\":")
          .append(whole ? range(0, mediaFrames, rate) : range(from, to - from, rate))
          .append("}}");
    }
    return json.append("]}").toString();
  }

  private static String warp(double speed) {
    return speed == 1
        ? ""
        : "{\"OTIO_SCHEMA\":\"LinearTimeWarp.1\",\"name\":\"faster\",\"effect_name\":\"LinearTimeWarp\",\"time_scalar\":"
            + speed
            + ",\"metadata\":{}}";
  }

  private static String range(long from, long count, FrameRate rate) {
    return "{\"OTIO_SCHEMA\":\"TimeRange.1\",\"start_time\":"
        + time(from, rate)
        + ",\"duration\":"
        + time(count, rate)
        + "}";
  }

  private static String time(long frame, FrameRate rate) {
    return String.format(
        Locale.ROOT,
        "{\"OTIO_SCHEMA\":\"RationalTime.1\",\"rate\":%s,\"value\":%d}",
        Double.toString(rate.perSecond()),
        frame);
  }

  private static String quoted(String text) {
    StringBuilder json = new StringBuilder("\"");
    for (char c : text.toCharArray()) {
      if (c == '"' || c == '\\') {
        json.append('\\').append(c);
      } else if (c < 0x20) {
        json.append(String.format(Locale.ROOT, "\\u%04x", (int) c));
      } else {
        json.append(c);
      }
    }
    return json.append('"').toString();
  }
}
