package paringknife.media.ffmpeg;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.opencv.core.Core;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.Ground;

/**
 * Lays what shows where no pane lies, for one plane: a tone, the backdrop, or the picture itself,
 * filling the canvas, made small, blurred (Gaussian) and large again. The numbers are those of the
 * preview.
 */
final class PaneGround implements AutoCloseable {
  /** Grey of a tone, 0 to 255, in studio range. */
  private static final double DARK = studio(26);

  private static final double LIGHT = studio(244);
  private static final double NO_COLOUR = 128;

  /** The soft picture is worked out on a canvas so many times smaller. */
  private static final double SMALLER = 8;

  /**
   * It goes beyond the canvas by this share of it on each side, so that its edges are out of sight.
   */
  private static final double BEYOND = 0.1;

  /** The blur's deviation as a share of the canvas's longer side. */
  private static final double SOFTNESS = 0.015;

  private final Mat picture;
  private final Mat canvas;
  private final int number;
  private final @Nullable BackdropPlanes backdrop;
  private final Mat small = new Mat();

  /**
   * @param picture the plane of the recorded picture
   * @param canvas the plane of the canvas
   * @param number of the plane: 0 for luma, 1 and 2 for chroma
   * @param backdrop null where none is seen
   */
  PaneGround(Mat picture, Mat canvas, int number, @Nullable BackdropPlanes backdrop) {
    this.picture = picture;
    this.canvas = canvas;
    this.number = number;
    this.backdrop = backdrop;
  }

  private static double studio(double grey) {
    return 16 + 219 * grey / 255;
  }

  void lay(Ground ground) {
    if (ground == Ground.SOFT) {
      soft();
    } else if (ground == Ground.PICTURE && backdrop != null) {
      int every = number == 0 ? 1 : 2;
      canvas.put(0, 0, backdrop.plane(number, canvas.cols() * every, canvas.rows() * every));
    } else {
      canvas.setTo(new Scalar(tone(ground, number > 0)));
    }
  }

  /** The value of a plain ground in a plane. */
  static double tone(Ground ground, boolean chroma) {
    return chroma ? NO_COLOUR : ground == Ground.LIGHT ? LIGHT : DARK;
  }

  private void soft() {
    double ratio = canvas.cols() / (double) canvas.rows();
    double wide = Math.min(picture.cols(), picture.rows() * ratio);
    double high = wide / ratio;
    Rect filling =
        new Rect(
            (int) Math.round((picture.cols() - wide) / 2),
            (int) Math.round((picture.rows() - high) / 2),
            (int) Math.floor(wide),
            (int) Math.floor(high));
    int seenWide = (int) Math.round(canvas.cols() / SMALLER);
    int seenHigh = (int) Math.round(canvas.rows() / SMALLER);
    int besideX = (int) Math.round(seenWide * BEYOND);
    int besideY = (int) Math.round(seenHigh * BEYOND);
    Size size = new Size(seenWide + 2 * besideX, seenHigh + 2 * besideY);
    Mat part = picture.submat(filling);
    Imgproc.resize(part, small, size, 0, 0, Imgproc.INTER_AREA);
    part.release();
    double sigma = SOFTNESS * Math.max(canvas.cols(), canvas.rows()) / SMALLER;
    Imgproc.GaussianBlur(small, small, new Size(0, 0), sigma, sigma, Core.BORDER_REPLICATE);
    Mat seen = small.submat(new Rect(besideX, besideY, seenWide, seenHigh));
    Imgproc.resize(seen, canvas, canvas.size(), 0, 0, Imgproc.INTER_LINEAR);
    seen.release();
  }

  @Override
  public void close() {
    List.of(small).forEach(Mat::release);
  }
}
