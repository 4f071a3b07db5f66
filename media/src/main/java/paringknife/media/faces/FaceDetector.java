package paringknife.media.faces;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.bytedeco.javacpp.Loader;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfByte;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.dnn.Dnn;
import org.opencv.dnn.Net;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.people.Face;

/**
 * Finds faces with the full-range model of {@code @mediapipe/face_detection} (Apache-2.0) through
 * OpenCV's dnn module. The picture is letterboxed to {@value #SIDE} pixels a side; one anchor a
 * cell of a {@value #CELLS} by {@value #CELLS} grid; boxes are regressed from the anchor's middle.
 */
public final class FaceDetector {
  private static final int SIDE = 192;
  private static final int CELLS = 48;
  private static final double THRESHOLD = 0.6;
  private static final double SUPPRESSION = 0.3;

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
  }

  private final Net net;

  public FaceDetector() {
    try (InputStream in =
        FaceDetector.class.getResourceAsStream("/models/face-full-range.tflite")) {
      if (in == null) {
        throw new IllegalStateException("the face model is missing from this build");
      }
      net = Dnn.readNetFromTFLite(new MatOfByte(in.readAllBytes()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private record Found(Face face, double score) {}

  /** Faces in an RGB picture, the surest first; mouth motion is left at 0. */
  public List<Face> detect(Mat rgb) {
    double scale = SIDE / (double) Math.max(rgb.cols(), rgb.rows());
    int width = (int) Math.round(rgb.cols() * scale);
    int height = (int) Math.round(rgb.rows() * scale);
    int left = (SIDE - width) / 2;
    int top = (SIDE - height) / 2;
    Mat small = new Mat();
    Imgproc.resize(rgb, small, new Size(width, height), 0, 0, Imgproc.INTER_AREA);
    Mat square = new Mat(SIDE, SIDE, CvType.CV_8UC3, new Scalar(0, 0, 0));
    small.copyTo(square.submat(top, top + height, left, left + width));
    Mat blob =
        Dnn.blobFromImage(
            square, 1 / 127.5, new Size(SIDE, SIDE), new Scalar(127.5, 127.5, 127.5), false, false);
    net.setInput(blob);
    List<Mat> outputs = new ArrayList<>();
    net.forward(outputs, net.getUnconnectedOutLayersNames());
    Mat boxes = outputs.get(0).total() > outputs.get(1).total() ? outputs.get(0) : outputs.get(1);
    Mat scores = boxes == outputs.get(0) ? outputs.get(1) : outputs.get(0);
    float[] box = floats(boxes);
    float[] score = floats(scores);
    List<Found> found = new ArrayList<>();
    int perAnchor = box.length / score.length;
    for (int a = 0; a < score.length; a++) {
      double sure = 1 / (1 + Math.exp(-score[a]));
      if (sure >= THRESHOLD) {
        double cx = box[a * perAnchor] + (a % CELLS + 0.5) / CELLS * SIDE;
        double cy = box[a * perAnchor + 1] + (a / CELLS + 0.5) / CELLS * SIDE;
        double w = box[a * perAnchor + 2];
        double h = box[a * perAnchor + 3];
        found.add(
            new Found(
                new Face(
                    (cx - w / 2 - left) / width,
                    (cy - h / 2 - top) / height,
                    w / width,
                    h / height,
                    0),
                sure));
      }
    }
    for (Mat mat : List.of(small, square, blob, outputs.get(0), outputs.get(1))) {
      mat.release();
    }
    return suppressed(found);
  }

  private static float[] floats(Mat mat) {
    float[] values = new float[(int) mat.total()];
    mat.reshape(1, 1).get(0, 0, values);
    return values;
  }

  private static List<Face> suppressed(List<Found> found) {
    found.sort(Comparator.comparingDouble(Found::score).reversed());
    List<Face> kept = new ArrayList<>();
    for (Found candidate : found) {
      if (kept.stream().noneMatch(k -> k.overlap(candidate.face()) > SUPPRESSION)) {
        kept.add(candidate.face());
      }
    }
    return kept;
  }
}
