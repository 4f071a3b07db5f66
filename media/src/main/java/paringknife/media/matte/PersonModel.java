package paringknife.media.matte;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.bytedeco.javacpp.Loader;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfByte;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.dnn.Dnn;
import org.opencv.dnn.Net;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.people.Face;

/**
 * Tells a person from the ground behind them, with the square model of {@code
 * @mediapipe/selfie_segmentation} (Apache-2.0) through OpenCV's dnn module. It is made for somebody
 * who fills the picture, so a square about each person is looked at, from above their head down to
 * the picture's edge, but not farther than a standing person reaches. Not for use from several
 * threads.
 */
final class PersonModel implements AutoCloseable {
  private static final int SIDE = 256;

  /** How far above its face a head may reach, in heights of the face. */
  private static final double ABOVE = 1.0;

  /** The least and the most that is looked at, in heights of the face (from memory). */
  private static final double LEAST = 3.5;

  private static final double MOST = 9;

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
  }

  private final Net net;
  private final Mat seen = new Mat();
  private final Mat person = new Mat();
  private final Mat sized = new Mat();

  PersonModel() {
    try (InputStream in =
        PersonModel.class.getResourceAsStream("/models/people-and-ground.tflite")) {
      if (in == null) {
        throw new IllegalStateException("the model of people is missing from this build");
      }
      net = Dnn.readNetFromTFLite(new MatOfByte(in.readAllBytes()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Adds a person to a matte of a picture, where they are surer to be than somebody else was.
   *
   * @param rgb the picture of one camera
   * @param face theirs, as shares of that picture
   * @param matte 0 to 255, of any size
   */
  void add(Mat rgb, Face face, Mat matte) {
    double faceHigh = face.height() * rgb.rows();
    double top = face.y() * rgb.rows() - ABOVE * faceHigh;
    double side = Math.max(LEAST * faceHigh, Math.min(MOST * faceHigh, rgb.rows() - top));
    double left = face.middleX() * rgb.cols() - side / 2;
    square(rgb, left, top, side);
    Mat blob =
        Dnn.blobFromImage(seen, 1 / 255.0, new Size(SIDE, SIDE), new Scalar(0, 0, 0), false, false);
    net.setInput(blob);
    Mat likely = net.forward();
    Mat flat = likely.reshape(1, SIDE);
    flat.convertTo(person, CvType.CV_8U, 255);
    for (Mat mat : new Mat[] {blob, likely, flat}) {
      mat.release();
    }
    lay(left / rgb.cols(), top / rgb.rows(), side / rgb.cols(), side / rgb.rows(), matte);
  }

  /** What is beyond the picture goes on as its edge. */
  private void square(Mat rgb, double left, double top, double side) {
    Mat to = new Mat(2, 3, CvType.CV_64F);
    double scale = SIDE / side;
    to.put(0, 0, scale, 0, -left * scale, 0, scale, -top * scale);
    Imgproc.warpAffine(
        rgb,
        seen,
        to,
        new Size(SIDE, SIDE),
        side > SIDE ? Imgproc.INTER_AREA : Imgproc.INTER_LINEAR,
        Core.BORDER_REPLICATE,
        new Scalar(0, 0, 0));
    to.release();
  }

  private void lay(double left, double top, double width, double height, Mat matte) {
    Rect within =
        new Rect(
            (int) Math.round(left * matte.cols()),
            (int) Math.round(top * matte.rows()),
            (int) Math.round(width * matte.cols()),
            (int) Math.round(height * matte.rows()));
    Imgproc.resize(person, sized, within.size(), 0, 0, Imgproc.INTER_LINEAR);
    int x = Math.max(0, within.x);
    int y = Math.max(0, within.y);
    int right = Math.min(matte.cols(), within.x + within.width);
    int bottom = Math.min(matte.rows(), within.y + within.height);
    if (right > x && bottom > y) {
      Mat from = sized.submat(new Rect(x - within.x, y - within.y, right - x, bottom - y));
      Mat to = matte.submat(new Rect(x, y, right - x, bottom - y));
      Core.max(from, to, to);
      from.release();
      to.release();
    }
  }

  @Override
  public void close() {
    seen.release();
    person.release();
    sized.release();
  }
}
