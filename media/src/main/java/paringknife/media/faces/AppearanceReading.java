package paringknife.media.faces;

import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.people.Appearance;
import paringknife.core.frame.people.Face;

/** Reads what somebody looks like from a picture, of {@value #SIDE} by {@value #SIDE} points. */
final class AppearanceReading {
  private static final int SIDE = 20;
  private static final int CHANNELS = 3;
  private static final int BYTE = 255;

  private AppearanceReading() {}

  static Appearance of(Mat rgb, Face face) {
    Appearance.Counted counted = new Appearance.Counted();
    for (Appearance.Region region : Appearance.Region.values()) {
      Face part = region.of(face);
      int left = Math.max(0, (int) (part.x() * rgb.cols()));
      int top = Math.max(0, (int) (part.y() * rgb.rows()));
      int right = Math.min(rgb.cols(), (int) Math.ceil((part.x() + part.width()) * rgb.cols()));
      int bottom = Math.min(rgb.rows(), (int) Math.ceil((part.y() + part.height()) * rgb.rows()));
      if (right - left >= 2 && bottom - top >= 2) {
        count(region, rgb.submat(new Rect(left, top, right - left, bottom - top)), counted);
      }
    }
    return counted.finish();
  }

  private static void count(Appearance.Region region, Mat part, Appearance.Counted to) {
    Mat small = new Mat();
    Imgproc.resize(part, small, new Size(SIDE, SIDE), 0, 0, Imgproc.INTER_NEAREST);
    Imgproc.cvtColor(small, small, Imgproc.COLOR_RGB2Lab);
    byte[] lab = new byte[SIDE * SIDE * CHANNELS];
    small.get(0, 0, lab);
    small.release();
    for (int p = 0; p < lab.length; p += CHANNELS) {
      to.add(region, lab[p] & BYTE, lab[p + 1] & BYTE, lab[p + 2] & BYTE);
    }
  }
}
