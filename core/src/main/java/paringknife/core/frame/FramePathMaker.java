package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;

/** Puts windows planned on the episode's clock on the frames of a clip. */
final class FramePathMaker {
  private final List<? extends PlannedWindow> windows;
  private final FrameRate rate;
  private final List<FramePath.Segment> shown = new ArrayList<>();

  FramePathMaker(List<? extends PlannedWindow> windows, FrameRate rate) {
    this.windows = windows;
    this.rate = rate;
  }

  FramePath path(List<PictureRun> runs) {
    for (int i = 0; i < runs.size(); i++) {
      PictureRun run = runs.get(i);
      if (run.held() && !shown.isEmpty()) {
        FramePath.Segment last = shown.get(shown.size() - 1);
        hold(run.clipFrame(), run.count(), last.at(run.clipFrame() - 1), last.person());
      } else if (run.held() && i + 1 < runs.size()) {
        long us = rate.startUs(runs.get(i + 1).episodeFrame());
        PlannedWindow next = windowAt(us);
        hold(run.clipFrame(), run.count(), next.at(us), next.person());
      } else {
        play(run);
      }
    }
    return new FramePath(shown);
  }

  private void play(PictureRun run) {
    long done = 0;
    while (done < run.count()) {
      PlannedWindow window = windowAt(rate.startUs(run.episodeFrame() + done));
      long untilFrame = rate.nearestFrame(window.span().endUs());
      long left = run.count() - done;
      boolean last = window == windows.get(windows.size() - 1);
      long count =
          last ? left : Math.max(1, Math.min(left, untilFrame - run.episodeFrame() - done));
      if (window instanceof MovingWindow moving) {
        follow(run.clipFrame() + done, count, run.episodeFrame() + done, moving);
      } else {
        long us = rate.startUs(run.episodeFrame() + done);
        hold(run.clipFrame() + done, count, window.at(us), window.person());
      }
      done += count;
    }
  }

  private PlannedWindow windowAt(long us) {
    PlannedWindow nearest = windows.get(0);
    long least = Long.MAX_VALUE;
    for (PlannedWindow window : windows) {
      long away =
          Math.max(0, Math.max(window.span().startUs() - us, us - window.span().endUs() + 1));
      if (away < least) {
        least = away;
        nearest = window;
      }
    }
    return nearest;
  }

  /** Where a moving window stands still for a while it is held. */
  private void follow(long clipFrame, long count, long episodeFrame, MovingWindow window) {
    List<Window> moved = new ArrayList<>();
    long from = clipFrame;
    for (long f = 0; f < count; f++) {
      Window now = window.at(rate.startUs(episodeFrame + f));
      long rests = 1;
      while (f + rests < count && window.at(rate.startUs(episodeFrame + f + rests)).equals(now)) {
        rests++;
      }
      if (rests < SHORTEST_REST) {
        moved.add(now);
        continue;
      }
      move(from, moved, window.person());
      hold(clipFrame + f, rests, now, window.person());
      moved = new ArrayList<>();
      f += rests - 1;
      from = clipFrame + f + 1;
    }
    move(from, moved, window.person());
  }

  /** Fewer frames at rest than this are not told apart from the move they lie in. */
  private static final int SHORTEST_REST = 8;

  private void move(long clipFrame, List<Window> windows, int person) {
    if (!windows.isEmpty()) {
      shown.add(new FramePath.Moving(clipFrame, windows, person));
    }
  }

  private void hold(long clipFrame, long count, Window window, int person) {
    FramePath.Segment last = shown.isEmpty() ? null : shown.get(shown.size() - 1);
    if (last instanceof FramePath.Held held && held.window().equals(window)) {
      shown.set(
          shown.size() - 1,
          new FramePath.Held(held.clipFrame(), held.count() + count, window, held.person()));
    } else {
      shown.add(new FramePath.Held(clipFrame, count, window, person));
    }
  }
}
