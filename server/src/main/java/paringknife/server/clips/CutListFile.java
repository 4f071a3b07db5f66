package paringknife.server.clips;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.formats.CutListCsv;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.formats.EditEvent;
import paringknife.core.formats.TimelineJson;
import paringknife.core.time.FrameRate;
import paringknife.server.episodes.Episode;

/** A clip's cut as an interchange file; its frames are those that the render shows. */
public final class CutListFile {
  private CutListFile() {}

  /**
   * Writes {@code edl}, {@code otio} or {@code csv}.
   *
   * @param handles frames to show around each piece
   */
  public static String write(
      ClipDocument clip, Episode episode, String format, boolean dropFrame, int handles) {
    if (handles < 0 || handles > 500) {
      throw new IllegalArgumentException("Handles are 0 to 500 frames.");
    }
    FrameRate rate = episode.rate();
    List<EditEvent> events = events(episode.compose(clip).cuts(), rate);
    String title = clip.title();
    double speed = clip.pared().speed();
    String file = episode.recording().file().getFileName().toString();
    return switch (format) {
      case "edl" -> EditDecisionList.write(title, file, events, rate, dropFrame, handles, speed);
      case "otio" ->
          TimelineJson.write(
              title,
              file,
              rate.nearestFrame(episode.recording().durationUs()),
              events,
              rate,
              handles,
              speed);
      case "csv" -> CutListCsv.write(events, rate, dropFrame, handles, speed);
      default -> throw new IllegalArgumentException("A cut list is written as edl, otio or csv.");
    };
  }

  /** Neighbouring runs that go on without a leap are one event. */
  private static List<EditEvent> events(CutList cuts, FrameRate rate) {
    List<EditEvent> events = new ArrayList<>();
    for (PictureRun run : PictureRun.of(cuts, rate)) {
      EditEvent last = events.isEmpty() ? null : events.get(events.size() - 1);
      if (run.held()) {
        events.add(new EditEvent(run.episodeFrame(), run.clipFrame(), run.count(), true));
      } else if (last != null
          && !last.held()
          && last.sourceFrame() + last.count() == run.episodeFrame()) {
        events.set(
            events.size() - 1,
            new EditEvent(last.sourceFrame(), last.recordFrame(), last.count() + run.count()));
      } else {
        events.add(new EditEvent(run.episodeFrame(), run.clipFrame(), run.count()));
      }
    }
    return events;
  }
}
