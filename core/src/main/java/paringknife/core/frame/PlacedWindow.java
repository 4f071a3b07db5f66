package paringknife.core.frame;

import paringknife.core.frame.cameras.CameraGrid;

/**
 * A window that a producer has placed, whatever the shape: shares of the picture, or of all
 * cameras' pictures side by side.
 *
 * @param middleX its middle across
 * @param middleY its middle down
 * @param height its height, {@value #LEAST} to 1
 */
public record PlacedWindow(double middleX, double middleY, double height) {
  private static final double LEAST = 0.1;

  public PlacedWindow {
    boolean inside = middleX >= 0 && middleX <= 1 && middleY >= 0 && middleY <= 1;
    if (!inside || !(height >= LEAST && height <= 1)) {
      throw new IllegalArgumentException("A window lies within the picture.");
    }
  }

  /** The part of a camera's picture that shows; moved inside it and made smaller where it must. */
  Window in(CameraGrid grid, double ratio) {
    double across = middleX * grid.width();
    double down = middleY * grid.height();
    CameraGrid.Cell cell = grid.cells().get(grid.cameraAt(across, down));
    double most = Math.min(cell.height(), cell.width() / ratio);
    double high = Math.min(most, height * grid.height());
    double wide = high * ratio;
    double x = Math.max(0, Math.min(cell.width() - wide, across - cell.x() - wide / 2));
    double y = Math.max(0, Math.min(cell.height() - high, down - cell.y() - high / 2));
    return new Window(cell.x() + x, cell.y() + y, wide, high);
  }
}
