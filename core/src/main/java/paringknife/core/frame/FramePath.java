package paringknife.core.frame;

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
  public sealed interface Segment permits Held, Moving {
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

  /**
   * A window that follows somebody.
   *
   * @param windows one for each frame
   */
  public record Moving(long clipFrame, List<Window> windows, int person) implements Segment {
    public Moving {
      windows = List.copyOf(windows);
    }

    @Override
    public long count() {
      return windows.size();
    }

    @Override
    public Window at(long frame) {
      return windows.get((int) (frame - clipFrame));
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
   * Windows as they come up in a clip. While a frame is held the window stays where it was;
   * neighbours that show the same are one segment.
   *
   * @param windows on the episode's clock, in order
   */
  public static FramePath of(
      List<PictureRun> runs, List<? extends PlannedWindow> windows, FrameRate rate) {
    return new FramePathMaker(windows, rate).path(runs);
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

  /** Whether all windows are of one size and each stays where it is. */
  public boolean isHeld() {
    return segments.stream().allMatch(Held.class::isInstance);
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
    double[] numbers =
        new double[segments.stream().mapToInt(s -> PACKED_HEAD + PACKED_WINDOW * windows(s)).sum()];
    int at = 0;
    for (Segment segment : segments) {
      numbers[at++] = segment.clipFrame();
      numbers[at++] = segment.count();
      numbers[at++] = segment.person();
      numbers[at++] = windows(segment);
      for (int i = 0; i < windows(segment); i++) {
        Window window = segment.at(segment.clipFrame() + i);
        numbers[at++] = window.x();
        numbers[at++] = window.y();
        numbers[at++] = window.width();
        numbers[at++] = window.height();
      }
    }
    return numbers;
  }

  private static int windows(Segment segment) {
    return segment instanceof Moving ? (int) segment.count() : 1;
  }
}
