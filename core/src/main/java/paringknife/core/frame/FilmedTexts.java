package paringknife.core.frame;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.text.SeenText;
import paringknife.core.frame.text.TextBox;
import paringknife.core.time.FrameRate;

/**
 * The text that is in the pictures of an episode's cameras.
 *
 * @param byCamera of each camera, by its beginning
 */
public record FilmedTexts(CameraGrid grid, List<List<SeenText>> byCamera) {
  private static final double EVERY_SECONDS = 0.5;
  private static final int MOST = 2_000;

  /** Less of a line than this is no text to anybody. */
  private static final double LEAST_SHOWN = 0.2;

  /** Places that are nearer than this count as one, as a share of the canvas. */
  private static final double GRAIN = 0.02;

  /** Of an episode in which none was looked for. */
  public static FilmedTexts none(CameraGrid grid) {
    return new FilmedTexts(grid, List.of());
  }

  private boolean isEmpty() {
    return byCamera.stream().allMatch(List::isEmpty);
  }

  private record Rounded(long x, long y, long width, long height) {
    static Rounded of(TextBox box) {
      return new Rounded(
          Math.round(box.x() / GRAIN),
          Math.round(box.y() / GRAIN),
          Math.round(box.width() / GRAIN),
          Math.round(box.height() / GRAIN));
    }
  }

  /** What of it a path shows, looked at twice a second; less often in long clips. */
  public List<ShownText> in(FramePath path, List<PictureRun> runs, FrameRate rate) {
    if (isEmpty() || runs.isEmpty()) {
      return List.of();
    }
    FilmedTime time = new FilmedTime(runs, rate);
    long step =
        Math.max(1, Math.max(Math.round(EVERY_SECONDS * rate.perSecond()), path.frames() / MOST));
    Map<Rounded, List<TextBox>> shown = new LinkedHashMap<>();
    int looked = 0;
    for (FramePath.Segment segment : path.segments()) {
      for (long n = step / 2 % Math.max(1, segment.count()); n < segment.count(); n += step) {
        looked++;
        long us = time.episodeUs(segment.clipFrame() + n);
        for (FramePath.Pane pane : segment.panes()) {
          for (TextBox box : on(pane.place(), pane.at(n), us)) {
            shown.computeIfAbsent(Rounded.of(box), r -> new ArrayList<>()).add(box);
          }
        }
      }
    }
    List<ShownText> texts = new ArrayList<>();
    for (List<TextBox> same : shown.values()) {
      TextBox box = same.get(0);
      double share = Math.min(1, same.size() / (double) looked);
      texts.add(new ShownText(box.x(), box.y(), box.width(), box.height(), share));
    }
    return texts;
  }

  private List<TextBox> on(Place place, Window window, long us) {
    int camera = grid.cameraAt(window.middleX(), window.middleY());
    if (camera >= byCamera.size()) {
      return List.of();
    }
    List<TextBox> boxes = new ArrayList<>();
    for (SeenText text : byCamera.get(camera)) {
      TextBox box = text.isAt(us) ? on(place, window, grid.cells().get(camera), text.box()) : null;
      if (box != null) {
        boxes.add(box);
      }
    }
    return boxes;
  }

  private static @Nullable TextBox on(
      Place place, Window window, CameraGrid.Cell cell, TextBox text) {
    double left = cell.x() + text.x() * cell.width();
    double top = cell.y() + text.y() * cell.height();
    double right = left + text.width() * cell.width();
    double bottom = top + text.height() * cell.height();
    double from = Math.max(left, window.x());
    double to = Math.min(right, window.x() + window.width());
    double upper = Math.max(top, window.y());
    double lower = Math.min(bottom, window.y() + window.height());
    double area = (right - left) * (bottom - top);
    if (to <= from || lower <= upper || (to - from) * (lower - upper) < LEAST_SHOWN * area) {
      return null;
    }
    double across = place.width() / window.width();
    double down = place.height() / window.height();
    return new TextBox(
        place.x() + (from - window.x()) * across,
        place.y() + (upper - window.y()) * down,
        (to - from) * across,
        (lower - upper) * down);
  }
}
