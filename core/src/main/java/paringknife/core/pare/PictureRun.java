package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/**
 * Consecutive frames of the episode that play one after the other.
 *
 * @param clipFrame number of the first of them in the clip
 * @param episodeFrame number of the first of them in the episode
 * @param count how many
 */
public record PictureRun(long clipFrame, long episodeFrame, long count) {

  /**
   * The pictures of a cut list. Frame n of the clip shows the episode at the moment that is heard
   * at the middle of that frame, so the picture is never more than half a frame from the sound,
   * whatever the number of cuts.
   */
  public static List<PictureRun> of(CutList cuts, FrameRate rate) {
    List<PictureRun> runs = new ArrayList<>();
    long playedUs = 0;
    long frame = 0;
    for (Span span : cuts.kept()) {
      long endFrame = rate.nearestFrame(playedUs + span.lengthUs());
      if (endFrame > frame) {
        long offset = rate.startUs(frame) - playedUs;
        long first = Math.max(0, rate.nearestFrame(span.startUs() + offset));
        runs.add(new PictureRun(frame, first, endFrame - frame));
        frame = endFrame;
      }
      playedUs += span.lengthUs();
    }
    return runs;
  }

  /** Number of frames of all runs together. */
  public static long total(List<PictureRun> runs) {
    return runs.stream().mapToLong(PictureRun::count).sum();
  }
}
