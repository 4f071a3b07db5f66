package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.time.FrameRate;

/**
 * What every frame of a clip shows of the recording, indexed by clip frame.
 *
 * @param segments in order, without gap, from frame 0 on
 */
public record FramePath(List<Segment> segments) {
  /** Stands in place of what was set where nothing was. */
  public static final long BY_ITSELF = 0;

  /**
   * Frames of a clip that belong together.
   *
   * @param clipFrame number of the first of them in the clip
   * @param count how many
   * @param panes the first is the lowest
   * @param ground what shows where no pane lies
   * @param setBy what a producer has set here; {@value #BY_ITSELF} where nothing is
   */
  public record Segment(long clipFrame, long count, List<Pane> panes, Ground ground, long setBy) {
    public Segment {
      panes = List.copyOf(panes);
    }

    /** Index of the person in the first pane; -1 for nobody. */
    public int person() {
      return panes.get(0).person();
    }

    /** What the first pane shows in one of the frames. */
    public Window at(long frame) {
      return panes.get(0).at(frame - clipFrame);
    }

    /** Whether nothing moves. */
    public boolean isHeld() {
      return panes.stream().allMatch(p -> p.windows().size() == 1);
    }

    /** Whether one window fills the canvas. */
    public boolean isOneWindow() {
      return panes.size() == 1 && panes.get(0).place().equals(Place.WHOLE);
    }

    /** The same up to so many frames. */
    Segment longer(long frames) {
      return new Segment(clipFrame, count + frames, panes, ground, setBy);
    }

    private boolean looksLike(Segment other) {
      if (panes.size() != other.panes.size() || ground != other.ground || setBy != other.setBy) {
        return false;
      }
      for (int p = 0; p < panes.size(); p++) {
        Pane here = panes.get(p);
        Pane there = other.panes.get(p);
        if (!here.place().equals(there.place()) || !here.windows().equals(there.windows())) {
          return false;
        }
      }
      return true;
    }
  }

  /**
   * A part of the canvas.
   *
   * @param person index of the person shown; -1 for nobody
   * @param windows one for each frame, or one for all
   */
  public record Pane(Place place, int person, List<Window> windows) {
    public Pane {
      windows = List.copyOf(windows);
    }

    /** What the nth frame of the segment shows. */
    public Window at(long n) {
      return windows.get(windows.size() == 1 ? 0 : (int) n);
    }
  }

  /** Neighbours that show the same, and do not move, are one. */
  public FramePath {
    List<Segment> joined = new ArrayList<>(segments.size());
    for (Segment segment : segments) {
      Segment last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
      if (last != null && segment.isHeld() && last.isHeld() && last.looksLike(segment)) {
        joined.set(joined.size() - 1, last.longer(segment.count()));
      } else {
        joined.add(segment);
      }
    }
    segments = List.copyOf(joined);
  }

  /** The whole picture, always. */
  public static FramePath whole(int width, int height, long frames) {
    Pane pane = new Pane(Place.WHOLE, -1, List.of(new Window(0, 0, width, height)));
    return new FramePath(List.of(new Segment(0, frames, List.of(pane), Ground.DARK, BY_ITSELF)));
  }

  /**
   * Frames as they come up in a clip. While a picture is held the windows stay where they were;
   * neighbours that show the same are one segment.
   *
   * @param planned on the episode's clock, in order
   */
  public static FramePath of(List<PictureRun> runs, List<PlannedFrame> planned, FrameRate rate) {
    return new FramePathMaker(planned, rate).path(runs);
  }

  /** The cameras of which something is seen, in order. */
  public List<Integer> cameras(CameraGrid grid) {
    return segments.stream()
        .flatMap(s -> s.panes().stream())
        .flatMap(p -> p.windows().stream())
        .map(w -> grid.cameraAt(w.middleX(), w.middleY()))
        .distinct()
        .sorted()
        .toList();
  }

  /**
   * The same with windows where their cameras lie in another grid.
   *
   * @param kept which cameras of the first grid the second has, in its order
   */
  public FramePath moved(CameraGrid from, CameraGrid to, List<Integer> kept) {
    return new FramePath(
        segments.stream()
            .map(
                s ->
                    new Segment(
                        s.clipFrame(),
                        s.count(),
                        s.panes().stream().map(p -> moved(p, from, to, kept)).toList(),
                        s.ground(),
                        s.setBy()))
            .toList());
  }

  private static Pane moved(Pane pane, CameraGrid from, CameraGrid to, List<Integer> kept) {
    List<Window> windows = new ArrayList<>(pane.windows().size());
    for (Window window : pane.windows()) {
      int camera = from.cameraAt(window.middleX(), window.middleY());
      CameraGrid.Cell was = from.cells().get(camera);
      CameraGrid.Cell is = to.cells().get(kept.indexOf(camera));
      windows.add(window.movedBy(is.x() - was.x(), is.y() - was.y()));
    }
    return new Pane(pane.place(), pane.person(), windows);
  }

  /** One of its frames, as a clip of one frame; the last one for those behind it. */
  public FramePath only(long frame) {
    Segment shown = segments.get(0);
    for (Segment segment : segments) {
      if (segment.clipFrame() <= frame) {
        shown = segment;
      }
    }
    long n = Math.min(frame - shown.clipFrame(), shown.count() - 1);
    List<Pane> panes =
        shown.panes().stream().map(p -> new Pane(p.place(), p.person(), List.of(p.at(n)))).toList();
    return new FramePath(List.of(new Segment(0, 1, panes, shown.ground(), shown.setBy())));
  }

  /** How many frames it covers. */
  public long frames() {
    return segments.isEmpty()
        ? 0
        : segments.get(segments.size() - 1).clipFrame() + segments.get(segments.size() - 1).count();
  }

  /**
   * How many lines of the recording the canvas would have if it were as finely drawn all over as
   * where it is drawn the least finely; 0 when nothing is shown.
   */
  public double leastLines() {
    return lines().min().orElse(0);
  }

  /** The most likewise. */
  public double mostLines() {
    return lines().max().orElse(0);
  }

  private java.util.stream.DoubleStream lines() {
    return segments.stream()
        .flatMap(s -> s.panes().stream())
        .flatMapToDouble(
            p -> p.windows().stream().mapToDouble(w -> w.height() / p.place().height()));
  }

  /** Whether it is one window that fills the canvas, of one size, which moves by leaps only. */
  public boolean isHeld() {
    if (segments.isEmpty()) {
      return true;
    }
    Window first = segments.get(0).at(segments.get(0).clipFrame());
    return segments.stream()
        .allMatch(
            s ->
                s.isHeld()
                    && s.isOneWindow()
                    && s.at(s.clipFrame()).width() == first.width()
                    && s.at(s.clipFrame()).height() == first.height());
  }

  /**
   * All of it in one row of numbers, for sending. Of each segment: its first frame, how many
   * frames, the ground (0 soft, 1 dark, 2 light, 3 the backdrop), what was set, and how many panes
   * follow. Of each pane: the person, its place (left, upper edge, width, height), how many windows
   * follow (1: for all frames), and of each window left, upper edge, width and height.
   */
  public double[] packed() {
    PackedNumbers numbers = new PackedNumbers();
    for (Segment segment : segments) {
      numbers.add(segment.clipFrame(), segment.count(), segment.ground().ordinal());
      numbers.add(segment.setBy(), segment.panes().size());
      for (Pane pane : segment.panes()) {
        Place place = pane.place();
        numbers.add(pane.person(), place.x(), place.y(), place.width(), place.height());
        numbers.add(pane.windows().size());
        for (Window window : pane.windows()) {
          numbers.add(window.x(), window.y(), window.width(), window.height());
        }
      }
    }
    return numbers.all();
  }
}
