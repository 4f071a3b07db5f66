package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;

/**
 * What every frame of a clip shows of the recording, indexed by clip frame.
 *
 * @param segments in order, without gap, from frame 0 on
 */
public record FramePath(List<Segment> segments) {
  /** Frames of a clip that belong together. */
  public sealed interface Segment permits Held {
    /** Number of the first of them in the clip. */
    long clipFrame();

    /** How many. */
    long count();

    /** Index of the person shown; -1 for nobody. */
    int person();

    /** What one of them shows. */
    Window at(long clipFrame);
  }

  /** One window that stays where it is. */
  public record Held(long clipFrame, long count, Window window, int person) implements Segment {
    @Override
    public Window at(long frame) {
      return window;
    }
  }

  public FramePath {
    segments = List.copyOf(segments);
  }

  /** The whole picture, always. */
  public static FramePath whole(int width, int height, long frames) {
    return new FramePath(List.of(new Held(0, frames, new Window(0, 0, width, height), -1)));
  }

  /**
   * Held windows as they come up in a clip. While a frame is held the window stays where it was;
   * neighbours that show the same are one segment.
   *
   * @param windows on the episode's clock, in order
   */
  public static FramePath of(List<PictureRun> runs, List<HeldWindow> windows, FrameRate rate) {
    List<Held> shown = new ArrayList<>();
    for (int i = 0; i < runs.size(); i++) {
      PictureRun run = runs.get(i);
      if (run.held() && !shown.isEmpty()) {
        Held last = shown.get(shown.size() - 1);
        add(shown, run.clipFrame(), run.count(), last.window(), last.person());
      } else if (run.held() && i + 1 < runs.size()) {
        HeldWindow next = windowAt(windows, rate.startUs(runs.get(i + 1).episodeFrame()));
        add(shown, run.clipFrame(), run.count(), next.window(), next.person());
      } else {
        addMoving(shown, run, windows, rate);
      }
    }
    return new FramePath(List.copyOf(shown));
  }

  private static void addMoving(
      List<Held> shown, PictureRun run, List<HeldWindow> windows, FrameRate rate) {
    long done = 0;
    while (done < run.count()) {
      HeldWindow window = windowAt(windows, rate.startUs(run.episodeFrame() + done));
      long untilFrame = rate.nearestFrame(window.span().endUs());
      long left = run.count() - done;
      boolean last = window == windows.get(windows.size() - 1);
      long count =
          last ? left : Math.max(1, Math.min(left, untilFrame - run.episodeFrame() - done));
      add(shown, run.clipFrame() + done, count, window.window(), window.person());
      done += count;
    }
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

  private static void add(List<Held> shown, long clipFrame, long count, Window window, int person) {
    Held last = shown.isEmpty() ? null : shown.get(shown.size() - 1);
    if (last != null && last.window().equals(window)) {
      shown.set(
          shown.size() - 1,
          new Held(last.clipFrame(), last.count() + count, window, last.person()));
    } else {
      shown.add(new Held(clipFrame, count, window, person));
    }
  }

  /** How many frames it covers. */
  public long frames() {
    return segments.isEmpty()
        ? 0
        : segments.get(segments.size() - 1).clipFrame() + segments.get(segments.size() - 1).count();
  }

  /** The smallest height of a window, pixels of the recording; 0 when nothing is shown. */
  public double leastHeight() {
    return segments.stream().mapToDouble(s -> s.at(s.clipFrame()).height()).min().orElse(0);
  }

  /** Numbers of a packed segment before its windows: first frame, frames, person, windows. */
  private static final int PACKED_HEAD = 4;

  private static final int PACKED_WINDOW = 4;

  /**
   * All of it in one row of numbers, for sending: of each segment its first frame, how many frames,
   * the person, how many windows follow (1: for all of them), and of each window left, upper edge,
   * width and height.
   */
  public double[] packed() {
    double[] numbers = new double[segments.size() * (PACKED_HEAD + PACKED_WINDOW)];
    int at = 0;
    for (Segment segment : segments) {
      Window window = segment.at(segment.clipFrame());
      for (double number :
          new double[] {
            segment.clipFrame(),
            segment.count(),
            segment.person(),
            1,
            window.x(),
            window.y(),
            window.width(),
            window.height()
          }) {
        numbers[at++] = number;
      }
    }
    return numbers;
  }
}
