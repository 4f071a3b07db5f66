package paringknife.media.faces;

import org.opencv.core.Core;
import org.opencv.core.Mat;
import org.opencv.core.Point;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.people.Face;

/**
 * How much a mouth moves by itself from one picture to the next: what changes about it once the
 * movement of the head is taken out, less what still changes about the eyes. The head's movement is
 * that of the upper half of the face, found by block matching (Jain and Jain, "Displacement
 * measurement and its application in interframe image coding", 1981), between pixels by a parabola
 * through the least squares. Not for use from several threads.
 */
final class MouthMotion implements AutoCloseable {
  /** A head is looked for so many pixels around where it was. */
  private static final int REACH = 4;

  private static final double LEAST_SIDE = 4;

  /** Parts of a face, as shares of its box. */
  private record Part(double x, double y, double width, double height) {}

  private static final Part UPPER_HALF = new Part(0.1, 0, 0.8, 0.55);
  private static final Part EYES = new Part(0.2, 0.05, 0.6, 0.4);
  private static final Part MOUTH = new Part(0.2, 0.62, 0.6, 0.35);

  private final Mat then = new Mat();
  private final Mat around = new Mat();
  private final Mat squares = new Mat();
  private final Mat now = new Mat();

  /**
   * @param before the picture before, grey
   * @param after the picture after it, grey
   * @param face where the face is in both, but for its movement
   * @return mean difference of grey values, 0 to 255
   */
  double between(Mat before, Mat after, Face face) {
    Point moved = movement(before, after, face);
    double mouth = change(before, after, face, MOUTH, moved);
    return Math.max(0, mouth - change(before, after, face, EYES, moved));
  }

  /** By how much the upper half of the face has moved, pixels. */
  private Point movement(Mat before, Mat after, Face face) {
    cut(before, face, UPPER_HALF, new Point(0, 0), 0, then);
    cut(after, face, UPPER_HALF, new Point(0, 0), REACH, around);
    Imgproc.matchTemplate(around, then, squares, Imgproc.TM_SQDIFF);
    Point least = Core.minMaxLoc(squares).minLoc;
    int x = (int) least.x;
    int y = (int) least.y;
    double here = squares.get(y, x)[0];
    double besideX =
        x == 0 || x == squares.cols() - 1
            ? 0
            : vertex(squares.get(y, x - 1)[0], here, squares.get(y, x + 1)[0]);
    double besideY =
        y == 0 || y == squares.rows() - 1
            ? 0
            : vertex(squares.get(y - 1, x)[0], here, squares.get(y + 1, x)[0]);
    return new Point(x - REACH + besideX, y - REACH + besideY);
  }

  /** Where a parabola through three values one apart, the middle one least, is least. */
  private static double vertex(double before, double least, double after) {
    double bend = before - 2 * least + after;
    return bend <= 0 ? 0 : 0.5 * (before - after) / bend;
  }

  private double change(Mat before, Mat after, Face face, Part part, Point moved) {
    cut(before, face, part, new Point(0, 0), 0, then);
    cut(after, face, part, moved, 0, now);
    Core.absdiff(then, now, now);
    return Core.mean(now).val[0];
  }

  /** A part of a face, and so many pixels around it; beyond the picture its edge goes on. */
  private static void cut(Mat grey, Face face, Part part, Point moved, int more, Mat to) {
    double width = face.width() * grey.cols();
    double height = face.height() * grey.rows();
    double x = face.x() * grey.cols() + (part.x() + part.width() / 2) * width + moved.x;
    double y = face.y() * grey.rows() + (part.y() + part.height() / 2) * height + moved.y;
    Size size =
        new Size(
            Math.max(LEAST_SIDE, Math.round(part.width() * width)) + 2 * more,
            Math.max(LEAST_SIDE, Math.round(part.height() * height)) + 2 * more);
    Imgproc.getRectSubPix(grey, size, new Point(x, y), to);
  }

  @Override
  public void close() {
    then.release();
    around.release();
    squares.release();
    now.release();
  }
}
