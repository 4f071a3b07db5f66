package paringknife.media.ffmpeg;

import java.util.Locale;
import paringknife.core.frame.colour.ColourMap;
import paringknife.core.listen.Placement;

/**
 * A camera of an episode.
 *
 * @param recording with a picture
 * @param placement where its recording lies on the episode's clock
 * @param colours what becomes of its colours
 */
public record Camera(Recording recording, Placement placement, ColourMap colours) {
  /**
   * @throws UnusableRecording when there is no picture
   */
  public Camera {
    if (recording.picture() == null) {
      throw new UnusableRecording(recording.file().getFileName() + " has no picture.");
    }
  }

  /** The camera whose recording is the episode's clock. */
  static Camera first(Recording recording) {
    return new Camera(recording, Placement.SAME, ColourMap.NONE);
  }

  Camera with(ColourMap other) {
    return new Camera(recording, placement, other);
  }

  Recording.Picture picture() {
    return recording.picture();
  }

  /** Whether it ran at a time of the episode. */
  boolean runsAt(long us) {
    long moment = placement.toRecording(us);
    return isOnTheClock() || moment >= 0 && moment < recording.durationUs();
  }

  /** Whether its clock is the episode's. */
  boolean isOnTheClock() {
    return placement.offsetUs() == 0 && placement.driftPpm() == 0;
  }

  /**
   * Filters that straighten its pictures and put them on the episode's clock, of which a moment is
   * 0; a comma follows.
   *
   * @param startedAtUs the moment of the recording at which its input begins
   */
  String filters(long zeroUs, long startedAtUs) {
    String straight = Straightened.filters(picture());
    if (isOnTheClock()) {
      return straight;
    }
    double begins = (placement.toEpisode(startedAtUs) - zeroUs) / 1e6;
    double slower = 1 + placement.driftPpm() / 1e6;
    return straight
        + String.format(Locale.ROOT, "setpts=(PTS-STARTPTS)*%.9f+(%.6f)/TB,", slower, begins);
  }
}
