package paringknife.media.text;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.javacpp.Loader;
import org.jspecify.annotations.Nullable;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfByte;
import org.opencv.core.MatOfPoint;
import org.opencv.core.Point;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.dnn.Dnn;
import org.opencv.dnn.Net;
import org.opencv.imgproc.Imgproc;

/**
 * Tells text from what only looks like it, by the text detection model PP-OCRv4 through OpenCV's
 * dnn module: a map of where the inner parts of lines are, which are widened again as in Liao and
 * others, "Real-time scene text detection with differentiable binarization", 2020. It looks at the
 * surroundings of one place, {@value #HEIGHT} pixels high.
 */
final class TextModel {
  private static final int HEIGHT = 96;
  private static final int NARROW = 320;
  private static final int WIDE = 640;

  /** How high a line comes to be in what is looked at, pixels. */
  private static final double LINE = 24;

  private static final double INNER = 0.3;
  private static final double SURE = 0.6;
  private static final double WIDENED = 1.5;

  /** So much of a place has to be text. */
  private static final double LEAST = 0.4;

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
  }

  private final Net net;

  TextModel() {
    try (InputStream in = TextModel.class.getResourceAsStream("/models/text-lines.onnx")) {
      if (in == null) {
        throw new IllegalStateException("the text model is missing from this build");
      }
      net = Dnn.readNetFromONNX(new MatOfByte(in.readAllBytes()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Looks closely at a place of an RGB picture.
   *
   * @return where the text is exactly; null where there is none
   */
  @Nullable Rect textAt(Mat rgb, Rect place) {
    double scale = Math.min(LINE / place.height, 0.9 * WIDE / place.width);
    int width = place.width * scale <= 0.9 * NARROW ? NARROW : WIDE;
    double left = place.x + place.width / 2.0 - width / scale / 2;
    double top = place.y + place.height / 2.0 - HEIGHT / scale / 2;
    Mat view = new Mat(2, 3, CvType.CV_64F);
    view.put(0, 0, scale, 0, -left * scale, 0, scale, -top * scale);
    Mat looked = new Mat();
    Imgproc.warpAffine(
        rgb,
        looked,
        view,
        new Size(width, HEIGHT),
        scale < 1 ? Imgproc.INTER_AREA : Imgproc.INTER_LINEAR,
        Core.BORDER_REPLICATE,
        new Scalar(0));
    view.release();
    Rect text = among(linesIn(looked), place, left, top, scale);
    looked.release();
    return text;
  }

  private List<Rect> linesIn(Mat looked) {
    Mat blob =
        Dnn.blobFromImage(
            looked,
            1 / 255.0 / 0.226,
            looked.size(),
            new Scalar(123.675, 116.28, 103.53),
            false,
            false);
    net.setInput(blob);
    Mat out = net.forward();
    Mat map = out.reshape(1, new int[] {out.size(2), out.size(3)});
    Mat inner = new Mat();
    Imgproc.threshold(map, inner, INNER, 255, Imgproc.THRESH_BINARY);
    Mat mask = new Mat();
    inner.convertTo(mask, CvType.CV_8U);
    List<MatOfPoint> outlines = new ArrayList<>();
    Imgproc.findContours(
        mask, outlines, new Mat(), Imgproc.RETR_EXTERNAL, Imgproc.CHAIN_APPROX_SIMPLE);
    List<Rect> lines = new ArrayList<>();
    for (MatOfPoint outline : outlines) {
      Rect box = Imgproc.boundingRect(outline);
      Mat within = map.submat(box);
      Mat ofIt = mask.submat(box);
      if (Core.mean(within, ofIt).val[0] >= SURE) {
        double by = box.area() * WIDENED / (2.0 * (box.width + box.height));
        lines.add(
            new Rect(
                new Point(box.x - by, box.y - by),
                new Point(box.x + box.width + by, box.y + box.height + by)));
      }
      within.release();
      ofIt.release();
      outline.release();
    }
    blob.release();
    out.release();
    inner.release();
    mask.release();
    return lines;
  }

  /** What of the lines is at the place, as one box; null where that is not enough of it. */
  private static @Nullable Rect among(
      List<Rect> lines, Rect place, double left, double top, double scale) {
    double x0 = Double.MAX_VALUE;
    double y0 = Double.MAX_VALUE;
    double x1 = 0;
    double y1 = 0;
    double covered = 0;
    for (Rect line : lines) {
      double l = left + line.x / scale;
      double t = top + line.y / scale;
      double r = l + line.width / scale;
      double b = t + line.height / scale;
      double across = Math.min(r, place.x + place.width) - Math.max(l, place.x);
      double down = Math.min(b, place.y + place.height) - Math.max(t, place.y);
      if (across > 0 && down > 0) {
        covered += across * down;
        x0 = Math.min(x0, l);
        y0 = Math.min(y0, t);
        x1 = Math.max(x1, r);
        y1 = Math.max(y1, b);
      }
    }
    return covered < LEAST * place.area() ? null : new Rect(new Point(x0, y0), new Point(x1, y1));
  }
}
