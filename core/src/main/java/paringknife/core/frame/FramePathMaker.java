package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;

/** Puts what is planned on the episode's clock on the frames of a clip. */
final class FramePathMaker {
  /** Fewer frames at rest than this are not told apart from the move they lie in. */
  private static final int SHORTEST_REST = 8;

  private final List<PlannedFrame> planned;
  private final FrameRate rate;
  private final List<FramePath.Segment> shown = new ArrayList<>();

  FramePathMaker(List<PlannedFrame> planned, FrameRate rate) {
    this.planned = planned;
    this.rate = rate;
  }

  FramePath path(List<PictureRun> runs) {
    for (int i = 0; i < runs.size(); i++) {
      PictureRun run = runs.get(i);
      if (run.held() && !shown.isEmpty()) {
        add(stopped(shown.get(shown.size() - 1), run));
      } else if (run.held() && i + 1 < runs.size()) {
        long us = rate.startUs(runs.get(i + 1).episodeFrame());
        add(held(run.clipFrame(), run.count(), plannedAt(us), us));
      } else {
        play(run);
      }
    }
    return new FramePath(shown);
  }

  private void add(FramePath.Segment segment) {
    shown.add(segment);
  }

  /** The last frame of a segment, for as long as a run lasts. */
  private static FramePath.Segment stopped(FramePath.Segment last, PictureRun run) {
    List<FramePath.Pane> panes =
        last.panes().stream()
            .map(p -> new FramePath.Pane(p.place(), p.person(), List.of(p.at(last.count() - 1))))
            .toList();
    return new FramePath.Segment(run.clipFrame(), run.count(), panes, last.ground(), last.setBy());
  }

  private static FramePath.Segment held(long clipFrame, long count, PlannedFrame frame, long us) {
    List<FramePath.Pane> panes =
        frame.panes().stream()
            .map(
                p -> new FramePath.Pane(p.place(), p.window().person(), List.of(p.window().at(us))))
            .toList();
    return new FramePath.Segment(clipFrame, count, panes, frame.ground(), frame.setBy());
  }

  private void play(PictureRun run) {
    long done = 0;
    while (done < run.count()) {
      PlannedFrame frame = plannedAt(rate.startUs(run.episodeFrame() + done));
      long untilFrame = rate.nearestFrame(frame.span().endUs());
      long left = run.count() - done;
      boolean last = frame == planned.get(planned.size() - 1);
      long count =
          last ? left : Math.max(1, Math.min(left, untilFrame - run.episodeFrame() - done));
      long episodeFrame = run.episodeFrame() + done;
      if (frame.isHeld()) {
        add(held(run.clipFrame() + done, count, frame, rate.startUs(episodeFrame)));
      } else if (frame.panes().size() == 1) {
        follow(run.clipFrame() + done, count, episodeFrame, frame);
      } else {
        add(moving(run.clipFrame() + done, count, episodeFrame, frame));
      }
      done += count;
    }
  }

  private PlannedFrame plannedAt(long us) {
    PlannedFrame nearest = planned.get(0);
    long least = Long.MAX_VALUE;
    for (PlannedFrame frame : planned) {
      long away = Math.max(0, Math.max(frame.span().startUs() - us, us - frame.span().endUs() + 1));
      if (away < least) {
        least = away;
        nearest = frame;
      }
    }
    return nearest;
  }

  private FramePath.Segment moving(
      long clipFrame, long count, long episodeFrame, PlannedFrame frame) {
    List<FramePath.Pane> panes = new ArrayList<>();
    for (PlannedFrame.Pane pane : frame.panes()) {
      long moved = pane.window() instanceof HeldWindow ? 1 : count;
      List<Window> windows = new ArrayList<>();
      for (long f = 0; f < moved; f++) {
        windows.add(pane.window().at(rate.startUs(episodeFrame + f)));
      }
      panes.add(new FramePath.Pane(pane.place(), pane.window().person(), windows));
    }
    return new FramePath.Segment(clipFrame, count, panes, frame.ground(), frame.setBy());
  }

  /** Where one moving window stands still for a while it is held. */
  private void follow(long clipFrame, long count, long episodeFrame, PlannedFrame frame) {
    PlannedWindow window = frame.first();
    long from = 0;
    for (long f = 0; f < count; f++) {
      Window now = window.at(rate.startUs(episodeFrame + f));
      long rests = 1;
      while (f + rests < count && window.at(rate.startUs(episodeFrame + f + rests)).equals(now)) {
        rests++;
      }
      if (rests >= SHORTEST_REST) {
        move(clipFrame + from, f - from, episodeFrame + from, frame);
        add(held(clipFrame + f, rests, frame, rate.startUs(episodeFrame + f)));
        from = f + rests;
      }
      f += rests - 1;
    }
    move(clipFrame + from, count - from, episodeFrame + from, frame);
  }

  private void move(long clipFrame, long count, long episodeFrame, PlannedFrame frame) {
    if (count > 0) {
      add(moving(clipFrame, count, episodeFrame, frame));
    }
  }
}
