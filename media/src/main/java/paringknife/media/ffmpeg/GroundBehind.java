package paringknife.media.ffmpeg;

import java.util.List;
import org.bytedeco.javacpp.Loader;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.Ground;
import paringknife.core.frame.cameras.CameraGrid;

/**
 * Exchanges the ground behind people in whole pictures, camera by camera and plane by plane: for
 * one tone, or for the picture itself, made small and blurred (Gaussian) without the people, whose
 * colours would otherwise stand around them like a glow. What is hidden by people comes from the
 * picture blurred with them. The numbers are those of the preview.
 */
final class GroundBehind implements AutoCloseable {
  /** The soft ground is worked out so small, pixels of its longer side. */
  private static final int SMALL = 240;

  /** What is at its edges goes on so far beyond them before it is blurred. */
  private static final double BEYOND = 0.06;

  /** The blur's deviation as a share of the longer side. */
  private static final double SOFTNESS = 0.018;

  /** How often what is seen without people is laid upon what is seen with them. */
  private static final int LAYERS = 4;

  private static final double WHOLE = 255;

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
  }

  private final Ground ground;
  private final Matte.Source mattes;
  private final List<PictureRun> runs;
  private final CameraGrid grid;
  private final int width;
  private final int height;
  private final Mat matte = new Mat();
  private final Mat sized = new Mat();
  private final Mat share = new Mat();

  /**
   * @param runs what of the cameras' pictures plays
   * @param width of the pictures of all cameras side by side, as they come here
   */
  GroundBehind(Behind behind, List<PictureRun> runs, CameraGrid grid, int width, int height) {
    this.ground = behind.ground();
    this.mattes = behind.mattes();
    this.runs = runs;
    this.grid = grid;
    this.width = width;
    this.height = height;
  }

  /**
   * Exchanges it in one picture.
   *
   * @param picture planar 4:2:0
   * @param clipFrame which of the clip it is
   */
  void lay(byte[] picture, long clipFrame) {
    Matte now = mattes.at(PictureRun.at(runs, clipFrame).shownAt(clipFrame));
    Mat read = new Mat(now.height(), now.width(), CvType.CV_8UC1);
    read.put(0, 0, now.shares());
    read.convertTo(matte, CvType.CV_32F, 1 / WHOLE);
    read.release();
    int chroma = width / 2 * (height / 2);
    lay(picture, 0, width, height, false);
    lay(picture, width * height, width / 2, height / 2, true);
    lay(picture, width * height + chroma, width / 2, height / 2, true);
  }

  private void lay(byte[] all, int at, int wide, int high, boolean chroma) {
    byte[] samples = new byte[wide * high];
    System.arraycopy(all, at, samples, 0, samples.length);
    Mat plane = new Mat(high, wide, CvType.CV_8UC1);
    plane.put(0, 0, samples);
    List<CameraGrid.Cell> seen = grid.cellsIn(wide, high);
    List<CameraGrid.Cell> people = grid.cellsIn(matte.cols(), matte.rows());
    for (int c = 0; c < grid.cameras(); c++) {
      Mat picture = plane.submat(rect(seen.get(c)));
      Mat cutOut = matte.submat(rect(people.get(c)));
      lay(picture, cutOut, chroma);
      picture.release();
      cutOut.release();
    }
    plane.get(0, 0, samples);
    System.arraycopy(samples, 0, all, at, samples.length);
    plane.release();
  }

  private static Rect rect(CameraGrid.Cell cell) {
    return new Rect(cell.x(), cell.y(), cell.width(), cell.height());
  }

  private void lay(Mat plane, Mat people, boolean chroma) {
    Mat recorded = new Mat();
    plane.convertTo(recorded, CvType.CV_32F);
    Mat behind = ground == Ground.SOFT ? soft(recorded, people) : tone(recorded, chroma);
    Imgproc.resize(people, sized, recorded.size(), 0, 0, Imgproc.INTER_LINEAR);
    Core.subtract(recorded, behind, recorded);
    Core.multiply(recorded, sized, recorded);
    Core.add(recorded, behind, behind);
    behind.convertTo(recorded, CvType.CV_8U);
    recorded.copyTo(plane);
    recorded.release();
    behind.release();
  }

  private Mat tone(Mat recorded, boolean chroma) {
    return new Mat(recorded.size(), CvType.CV_32F, new Scalar(PaneGround.tone(ground, chroma)));
  }

  private Mat soft(Mat recorded, Mat cutOut) {
    double longer = Math.max(recorded.cols(), recorded.rows());
    int wide = (int) Math.max(1, Math.round(SMALL * recorded.cols() / longer));
    int high = (int) Math.max(1, Math.round(SMALL * recorded.rows() / longer));
    int besideX = (int) Math.round(wide * BEYOND);
    int besideY = (int) Math.round(high * BEYOND);
    Rect part = new Rect(besideX, besideY, wide, high);
    Size size = new Size(wide + 2 * besideX, high + 2 * besideY);
    double sigma = SOFTNESS * SMALL;
    Mat all = withMargin(recorded, size, part);
    Mat people = withMargin(cutOut, size, part);
    people.convertTo(share, CvType.CV_32F, -1, 1);
    Core.multiply(share, share, share);
    Mat without = all.mul(share);
    for (Mat mat : List.of(all, without, share)) {
      Imgproc.GaussianBlur(mat, mat, new Size(0, 0), sigma, sigma, Core.BORDER_REPLICATE);
    }
    // What is seen without them, and for the rest what is seen with them; again and again, until
    // hardly anything of them is left.
    for (int n = 0; n < LAYERS; n++) {
      Mat seen = all.mul(share);
      Core.subtract(all, seen, all);
      Core.add(all, without, all);
      seen.release();
    }
    Mat within = all.submat(part);
    Mat behind = new Mat();
    Imgproc.resize(within, behind, recorded.size(), 0, 0, Imgproc.INTER_LINEAR);
    List.of(all, people, without, within).forEach(Mat::release);
    return behind;
  }

  /** Something small in its part of a picture, and around it what it has at its edges. */
  private static Mat withMargin(Mat of, Size size, Rect part) {
    Mat all = new Mat();
    Imgproc.resize(of, all, size, 0, 0, Imgproc.INTER_AREA);
    Mat within = all.submat(part);
    Imgproc.resize(of, within, within.size(), 0, 0, Imgproc.INTER_AREA);
    within.release();
    return all;
  }

  @Override
  public void close() {
    List.of(matte, sized, share).forEach(Mat::release);
  }
}
