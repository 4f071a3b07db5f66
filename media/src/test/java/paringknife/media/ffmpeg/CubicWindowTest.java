package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.bytedeco.javacpp.Loader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.imgproc.Imgproc;

/** Windows drawn larger, against OpenCV's own cubic warp of the same plane. */
class CubicWindowTest {
  private static final int WIDE = 320;
  private static final int HIGH = 180;

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
  }

  /** Waves with some grain, and edges as hard as they come. */
  private static byte[] plane() {
    byte[] plane = new byte[WIDE * HIGH];
    Random random = new Random(7);
    for (int i = 0; i < plane.length; i++) {
      int x = i % WIDE;
      int y = i / WIDE;
      double wave = 128 + 90 * Math.sin(x / 5.0) * Math.cos(y / 7.0) + random.nextInt(12);
      plane[i] = (byte) (x > 250 ? x / 8 % 2 * 255 : (int) wave);
    }
    return plane;
  }

  private static byte[] byOpenCv(
      byte[] plane, CubicWindow.Axis across, CubicWindow.Axis down, int wide, int high) {
    Mat from = new Mat(HIGH, WIDE, CvType.CV_8UC1);
    from.put(0, 0, plane);
    Mat to = new Mat(high, wide, CvType.CV_8UC1);
    Mat map = new Mat(2, 3, CvType.CV_64F);
    map.put(0, 0, across.step(), 0, across.first());
    map.put(1, 0, 0, down.step(), down.first());
    Imgproc.warpAffine(
        from,
        to,
        map,
        to.size(),
        Imgproc.INTER_CUBIC | Imgproc.WARP_INVERSE_MAP,
        Core.BORDER_REPLICATE);
    byte[] out = new byte[wide * high];
    to.get(0, 0, out);
    return out;
  }

  /** OpenCV takes places to a thirty-second of a sample: single samples differ by what that is. */
  @ParameterizedTest
  @CsvSource({
    "100.25, 0.25, 20.5, 0.25, 400, 500",
    "-3.5, 0.3125, -2.25, 0.3125, 300, 300",
    "290.5, 0.5, 150.25, 0.5, 120, 120",
    "0, 1, 0, 1, 320, 180",
    "10, 1.5, 5, 1.25, 150, 120",
    "-40, 2, -30, 2, 200, 120"
  })
  void isWhatOpenCvDraws(double x, double stepX, double y, double stepY, int wide, int high) {
    byte[] plane = plane();
    CubicWindow.Axis across = new CubicWindow.Axis(x, stepX);
    CubicWindow.Axis down = new CubicWindow.Axis(y, stepY);
    byte[] expected = byOpenCv(plane, across, down, wide, high);
    byte[] behind = new byte[11 + plane.length];
    System.arraycopy(plane, 0, behind, 11, plane.length);
    byte[] drawn = new byte[wide * high];
    new CubicWindow(WIDE, HIGH)
        .draw(behind, 11, across, down, new CubicWindow.Place(0, 0, wide, high), drawn, wide);
    int most = 0;
    for (int i = 0; i < drawn.length; i++) {
      most = Math.max(most, Math.abs((drawn[i] & 255) - (expected[i] & 255)));
    }
    assertThat(most).as("most apart, of 255").isLessThanOrEqualTo(2);
  }

  @Test
  void onlyItsPlaceIsDrawn() {
    byte[] to = new byte[40 * 30];
    java.util.Arrays.fill(to, (byte) 9);
    byte[] white = new byte[WIDE * HIGH];
    java.util.Arrays.fill(white, (byte) 200);
    CubicWindow window = new CubicWindow(WIDE, HIGH);
    CubicWindow.Axis axis = new CubicWindow.Axis(50, 0.5);
    window.draw(white, 0, axis, axis, new CubicWindow.Place(10, 5, 20, 15), to, 40);
    for (int i = 0; i < to.length; i++) {
      boolean inside = i % 40 >= 10 && i % 40 < 30 && i / 40 >= 5 && i / 40 < 20;
      assertThat(to[i] & 255).as("sample " + i).isEqualTo(inside ? 200 : 9);
    }
  }
}
