package paringknife.media.text;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfPoint;
import org.opencv.core.Rect;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/**
 * Finds quickly what may be lines of text: wide rectangles full of sharp upright edges (Smith and
 * Kanade, "Video skimming and characterization through the combination of image and language
 * understanding techniques", 1997). Finds much that is none, too. Not for use from several threads.
 */
final class TextLines implements AutoCloseable {
  /** Grey values from one pixel to the next; letters over a picture stand out more than this. */
  private static final double SHARP = 70;

  private static final double LEAST_HEIGHT = 0.018;
  private static final double MOST_HEIGHT = 0.16;
  private static final double LEAST_PIXELS_HIGH = 6;
  private static final double LEAST_ASPECT = 1.6;
  private static final double LEAST_FILLED = 0.12;
  private static final int MOST = 24;

  private final Mat edges = new Mat();
  private final Mat sharp = new Mat();
  private final Mat joined = new Mat();
  private final Mat none = new Mat();

  /** In a grey picture, the largest first. */
  List<Rect> in(Mat grey) {
    Imgproc.Sobel(grey, edges, CvType.CV_16S, 1, 0);
    Core.convertScaleAbs(edges, sharp, 0.5, 0);
    Imgproc.threshold(sharp, sharp, SHARP, 255, Imgproc.THRESH_BINARY);
    // Letters of a line stand nearer to one another than they are high.
    int gap = Math.max(5, grey.rows() / 24) | 1;
    Mat row = Imgproc.getStructuringElement(Imgproc.MORPH_RECT, new Size(gap, 3));
    Imgproc.morphologyEx(sharp, joined, Imgproc.MORPH_CLOSE, row);
    row.release();
    List<MatOfPoint> outlines = new ArrayList<>();
    Imgproc.findContours(
        joined, outlines, none, Imgproc.RETR_EXTERNAL, Imgproc.CHAIN_APPROX_SIMPLE);
    List<Rect> lines = new ArrayList<>();
    for (MatOfPoint outline : outlines) {
      Rect box = Imgproc.boundingRect(outline);
      outline.release();
      if (isLine(box, grey.rows())) {
        lines.add(box);
      }
    }
    lines.sort(Comparator.comparingDouble(Rect::area).reversed());
    return lines.subList(0, Math.min(MOST, lines.size()));
  }

  private boolean isLine(Rect box, int rows) {
    if (box.height < Math.max(LEAST_PIXELS_HIGH, LEAST_HEIGHT * rows)
        || box.height > MOST_HEIGHT * rows
        || box.width < LEAST_ASPECT * box.height) {
      return false;
    }
    Mat within = sharp.submat(box);
    boolean isFull = Core.countNonZero(within) > LEAST_FILLED * box.area();
    within.release();
    return isFull;
  }

  @Override
  public void close() {
    edges.release();
    sharp.release();
    joined.release();
    none.release();
  }
}
