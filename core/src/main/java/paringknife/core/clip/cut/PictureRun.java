package paringknife.core.clip.cut;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/**
 * Consecutive frames of the episode that play one after the other, or one frame that is held.
 *
 * @param clipFrame number of the first of them in the clip
 * @param episodeFrame number of the first of them in the episode
 * @param count how many
 * @param held whether the first is held all the while
 */
public record PictureRun(long clipFrame, long episodeFrame, long count, boolean held) {
  /** Frames that move on. */
  public PictureRun(long clipFrame, long episodeFrame, long count) {
    this(clipFrame, episodeFrame, count, false);
  }

  /**
   * The pictures of a cut list. Frame n of the clip shows the episode at the moment that is heard
   * at the middle of that frame, so the picture is never more than half a frame from the sound,
   * whatever the number of cuts. In a gap the last frame is held.
   */
  public static List<PictureRun> of(CutList cuts, FrameRate rate) {
    List<PictureRun> runs = new ArrayList<>();
    long playedUs = cuts.gapAfterUs(-1);
    long frame = rate.nearestFrame(playedUs);
    if (frame > 0 && !cuts.kept().isEmpty()) {
      runs.add(new PictureRun(0, rate.nearestFrame(cuts.kept().get(0).startUs()), frame, true));
    }
    int gap = 0;
    for (int i = 0; i < cuts.kept().size(); i++) {
      Span span = cuts.kept().get(i);
      long endFrame = rate.nearestFrame(playedUs + span.lengthUs());
      if (endFrame > frame) {
        long offset = rate.startUs(frame) - playedUs;
        long first = Math.max(0, rate.nearestFrame(span.startUs() + offset));
        runs.add(new PictureRun(frame, first, endFrame - frame));
        frame = endFrame;
      }
      playedUs += span.lengthUs();
      for (; gap < cuts.gaps().size() && cuts.gaps().get(gap).after() <= i; gap++) {
        if (cuts.gaps().get(gap).after() == i) {
          playedUs += cuts.gaps().get(gap).lengthUs();
          frame = hold(runs, frame, rate.nearestFrame(playedUs));
        }
      }
    }
    return runs;
  }

  private static long hold(List<PictureRun> runs, long frame, long endFrame) {
    if (endFrame <= frame || runs.isEmpty()) {
      return frame;
    }
    PictureRun last = runs.get(runs.size() - 1);
    long shown = last.held() ? last.episodeFrame() : last.episodeFrame() + last.count() - 1;
    runs.add(new PictureRun(frame, shown, endFrame - frame, true));
    return endFrame;
  }

  /** The run in which a frame of the clip lies; the first or the last one beyond them. */
  public static PictureRun at(List<PictureRun> runs, long clipFrame) {
    int from = 0;
    int to = runs.size() - 1;
    while (from < to) {
      int middle = (from + to + 1) / 2;
      if (runs.get(middle).clipFrame() <= clipFrame) {
        from = middle;
      } else {
        to = middle - 1;
      }
    }
    return runs.get(from);
  }

  /** Which frame of the episode a frame of the clip shows that lies in this run. */
  public long shownAt(long clip) {
    return episodeFrame + (held ? 0 : clip - clipFrame);
  }

  /** Number of frames of all runs together. */
  public static long total(List<PictureRun> runs) {
    return runs.stream().mapToLong(PictureRun::count).sum();
  }
}
