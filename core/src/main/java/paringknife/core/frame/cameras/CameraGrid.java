package paringknife.core.frame.cameras;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.people.Face;

/**
 * The pictures of all cameras side by side, none of them enlarged or made smaller, as if they were
 * one picture: a place in it says which camera is meant. Measures in pixels of the recordings.
 *
 * @param cells where the picture of each camera lies; at least one
 * @param width of all of them together
 * @param height likewise
 */
public record CameraGrid(List<Cell> cells, int width, int height) {
  /** Cameras that can be taken in together. */
  public static final int MOST = 9;

  /** Where the picture of a camera lies. */
  public record Cell(int x, int y, int width, int height) {
    /** A face of this camera's picture, in pixels of the grid. */
    public Face inGrid(Face face) {
      return new Face(
          x + face.x() * width,
          y + face.y() * height,
          face.width() * width,
          face.height() * height,
          face.mouthMotion());
    }

    boolean contains(double px, double py) {
      return px >= x && px < x + width && py >= y && py < y + height;
    }

    private double away(double px, double py) {
      double across = Math.max(0, Math.max(x - px, px - x - width));
      double down = Math.max(0, Math.max(y - py, py - y - height));
      return Math.hypot(across, down);
    }
  }

  public CameraGrid {
    cells = List.copyOf(cells);
    if (cells.isEmpty() || cells.size() > MOST) {
      throw new IllegalArgumentException("There are one to " + MOST + " cameras.");
    }
  }

  /** One camera. */
  public static CameraGrid one(int width, int height) {
    return new CameraGrid(List.of(new Cell(0, 0, width, height)), width, height);
  }

  /**
   * Cameras in rows, in their order.
   *
   * @param sizes width and height of each
   */
  public static CameraGrid of(List<int[]> sizes) {
    if (sizes.isEmpty()) {
      throw new IllegalArgumentException("There is no camera.");
    }
    int columns = columns(sizes.size());
    int wide = even(sizes.stream().mapToInt(s -> s[0]).max().orElse(2));
    int high = even(sizes.stream().mapToInt(s -> s[1]).max().orElse(2));
    if (sizes.size() == 1) {
      return one(sizes.get(0)[0], sizes.get(0)[1]);
    }
    List<Cell> cells = new ArrayList<>();
    for (int c = 0; c < sizes.size(); c++) {
      int[] size = sizes.get(c);
      cells.add(new Cell(c % columns * wide, c / columns * high, size[0], size[1]));
    }
    int rows = (sizes.size() + columns - 1) / columns;
    return new CameraGrid(cells, columns * wide, rows * high);
  }

  private static int columns(int cameras) {
    return (int) Math.ceil(Math.sqrt(cameras));
  }

  private static int even(int length) {
    return (length + 1) / 2 * 2;
  }

  public int cameras() {
    return cells.size();
  }

  public int columns() {
    return columns(cells.size());
  }

  public int rows() {
    return (cells.size() + columns() - 1) / columns();
  }

  /** Room for the picture of each, in a row of them. */
  public int roomAcross() {
    return width / columns();
  }

  /** Likewise down. */
  public int roomDown() {
    return height / rows();
  }

  /** The camera whose picture a place lies in, or is nearest to. */
  public int cameraAt(double x, double y) {
    int nearest = 0;
    for (int c = 0; c < cells.size(); c++) {
      if (cells.get(c).contains(x, y)) {
        return c;
      }
      if (cells.get(c).away(x, y) < cells.get(nearest).away(x, y)) {
        nearest = c;
      }
    }
    return nearest;
  }

  /** Where the pictures lie when those of all are so wide and so high together. */
  public List<Cell> cellsIn(int otherWidth, int otherHeight) {
    double across = otherWidth / (double) width;
    double down = otherHeight / (double) height;
    return cells.stream()
        .map(
            cell -> {
              int x = (int) Math.round(cell.x() * across);
              int y = (int) Math.round(cell.y() * down);
              int right = (int) Math.round((cell.x() + cell.width()) * across);
              int bottom = (int) Math.round((cell.y() + cell.height()) * down);
              return new Cell(
                  x,
                  y,
                  Math.max(1, Math.min(otherWidth, right) - x),
                  Math.max(1, Math.min(otherHeight, bottom) - y));
            })
        .toList();
  }

  /** Some of the cameras, in rows of their own. */
  public CameraGrid only(List<Integer> cameras) {
    return of(
        cameras.stream()
            .map(c -> new int[] {cells.get(c).width(), cells.get(c).height()})
            .toList());
  }
}
