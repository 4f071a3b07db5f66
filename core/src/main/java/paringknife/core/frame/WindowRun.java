package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.pare.PictureRun;
import paringknife.core.time.FrameRate;

/**
 * Frames of a clip that show one held window.
 *
 * @param clipFrame number of the first of them in the clip
 * @param count how many
 */
public record WindowRun(HeldWindow window, long clipFrame, long count) {

  /** Which window each frame of a clip shows; neighbours with the same window are one run. */
  public static List<WindowRun> of(
      List<PictureRun> runs, List<HeldWindow> windows, FrameRate rate) {
    List<WindowRun> shown = new ArrayList<>();
    for (PictureRun run : runs) {
      long done = 0;
      while (done < run.count()) {
        long us = rate.startUs(run.episodeFrame() + done);
        HeldWindow window = windowAt(windows, us);
        long untilFrame = rate.nearestFrame(window.span().endUs());
        long left = run.count() - done;
        boolean last = window == windows.get(windows.size() - 1);
        long count =
            last ? left : Math.max(1, Math.min(left, untilFrame - run.episodeFrame() - done));
        add(shown, window, run.clipFrame() + done, count);
        done += count;
      }
    }
    return shown;
  }

  private static HeldWindow windowAt(List<HeldWindow> windows, long us) {
    HeldWindow nearest = windows.get(0);
    long least = Long.MAX_VALUE;
    for (HeldWindow window : windows) {
      long away =
          Math.max(0, Math.max(window.span().startUs() - us, us - window.span().endUs() + 1));
      if (away < least) {
        least = away;
        nearest = window;
      }
    }
    return nearest;
  }

  private static void add(List<WindowRun> shown, HeldWindow window, long clipFrame, long count) {
    WindowRun last = shown.isEmpty() ? null : shown.get(shown.size() - 1);
    if (last != null && sameView(last.window(), window)) {
      shown.set(
          shown.size() - 1, new WindowRun(last.window(), last.clipFrame(), last.count() + count));
    } else {
      shown.add(new WindowRun(window, clipFrame, count));
    }
  }

  private static boolean sameView(HeldWindow a, HeldWindow b) {
    return a.x() == b.x() && a.y() == b.y() && a.width() == b.width() && a.height() == b.height();
  }
}
