package paringknife.media.ffmpeg;

import java.util.List;
import org.bytedeco.javacpp.Loader;
import org.jspecify.annotations.Nullable;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.ximgproc.Ximgproc;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FollowedFace;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.time.FrameRate;

/**
 * Smooths skin in whole pictures: luma by a guided filter (He, Sun and Tang, "Guided image
 * filtering", IEEE PAMI 35, 2013; guided by the picture itself), which evens out what differs
 * little and leaves edges; within an oval on each face, where the colour is that of skin (Chai and
 * Ngan, "Face segmentation using skin-color map in videophone applications", IEEE TCSVT 9, 1999),
 * but for eyes and mouth. The numbers are those of the preview.
 */
final class SkinSmoother {
  /** What differs less than so many steps of luma is evened out. */
  private static final double EVENED = 12;

  /** How far around is looked, as a share of a face's height. */
  private static final double RADIUS = 0.04;

  /** The middle of the oval, half of its width and of its height, as shares of a face's. */
  private static final double[] OVAL = {0.5, 0.55, 0.55, 0.55};

  /** The oval's edge is so soft, as a share of its square. */
  private static final double SOFT = 0.35;

  /** Places that are kept: middle, and half of the width and the height, as shares of a face's. */
  private static final double[][] KEPT = {
    {0.3, 0.34, 0.19, 0.11}, {0.7, 0.34, 0.19, 0.11}, {0.5, 0.79, 0.28, 0.14}
  };

  private static final double KEPT_SOFT = 0.6;
  private static final double LEAST_BLUE = 77;
  private static final double MOST_BLUE = 127;
  private static final double LEAST_RED = 133;
  private static final double MOST_RED = 173;

  /** A colour that is so far from skin's is none. */
  private static final double OTHER_COLOUR = 10;

  private static final int VALUE = 255;

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
  }

  private final SmoothedSkin skin;
  private final List<PictureRun> runs;
  private final FrameRate rate;
  private final List<CameraGrid.Cell> cells;
  private final int width;
  private final int height;

  /**
   * @param runs what of the cameras' pictures plays
   * @param width of the pictures of all cameras side by side, as they come here
   */
  SkinSmoother(
      SmoothedSkin skin,
      List<PictureRun> runs,
      FrameRate rate,
      CameraGrid grid,
      int width,
      int height) {
    this.skin = skin;
    this.runs = runs;
    this.rate = rate;
    this.cells = grid.cellsIn(width, height);
    this.width = width;
    this.height = height;
  }

  /**
   * Smooths it in one picture.
   *
   * @param picture planar 4:2:0
   * @param clipFrame which of the clip it is
   */
  void smooth(byte[] picture, long clipFrame) {
    long us = rate.startUs(PictureRun.at(runs, clipFrame).shownAt(clipFrame));
    for (FollowedFace followed : skin.faces()) {
      Face face = followed.at(us);
      if (face != null) {
        smooth(picture, cells.get(followed.camera()), face);
      }
    }
  }

  private void smooth(byte[] picture, CameraGrid.Cell cell, Face face) {
    Oval oval = new Oval(cell, face);
    Rect part = oval.within();
    if (part == null) {
      return;
    }
    byte[] luma = new byte[part.width * part.height];
    for (int y = 0; y < part.height; y++) {
      System.arraycopy(picture, (part.y + y) * width + part.x, luma, y * part.width, part.width);
    }
    float[] even = evened(luma, part, Math.max(1, (int) Math.round(RADIUS * oval.high)));
    for (int y = 0; y < part.height; y++) {
      for (int x = 0; x < part.width; x++) {
        double share = skin.amount() * oval.share(part.x + x + 0.5, part.y + y + 0.5);
        if (share > 0) {
          share *= skinShare(picture, part.x + x, part.y + y);
          int was = luma[y * part.width + x] & VALUE;
          picture[(part.y + y) * width + part.x + x] =
              (byte) Math.round(was + share * (even[y * part.width + x] - was));
        }
      }
    }
  }

  /** By how much the colour at a place is that of skin. */
  private double skinShare(byte[] picture, int x, int y) {
    int chroma = width / 2 * (height / 2);
    int at = width * height + y / 2 * (width / 2) + x / 2;
    int blue = picture[at] & VALUE;
    int red = picture[at + chroma] & VALUE;
    double away =
        Math.max(
            Math.max(LEAST_BLUE - blue, blue - MOST_BLUE),
            Math.max(LEAST_RED - red, red - MOST_RED));
    return clamped(1 - away / OTHER_COLOUR);
  }

  private static double clamped(double share) {
    return Math.max(0, Math.min(1, share));
  }

  private static float[] evened(byte[] luma, Rect part, int radius) {
    Mat samples = new Mat(part.height, part.width, CvType.CV_8UC1);
    samples.put(0, 0, luma);
    Mat here = new Mat();
    samples.convertTo(here, CvType.CV_32F);
    Mat evened = new Mat();
    Ximgproc.guidedFilter(here, here, evened, radius, EVENED * EVENED);
    float[] even = new float[luma.length];
    evened.get(0, 0, even);
    List.of(samples, here, evened).forEach(Mat::release);
    return even;
  }

  /** Where the skin of a face is looked for, in luma samples. */
  private final class Oval {
    private final CameraGrid.Cell cell;
    private final double left;
    private final double top;
    private final double wide;
    private final double high;

    Oval(CameraGrid.Cell cell, Face face) {
      this.cell = cell;
      this.left = cell.x() + face.x() * cell.width();
      this.top = cell.y() + face.y() * cell.height();
      this.wide = face.width() * cell.width();
      this.high = face.height() * cell.height();
    }

    /** All of it that lies in its camera's picture; null where nothing does. */
    @Nullable Rect within() {
      int fromX = (int) Math.max(cell.x(), Math.floor(left + (OVAL[0] - OVAL[2]) * wide));
      int fromY = (int) Math.max(cell.y(), Math.floor(top + (OVAL[1] - OVAL[3]) * high));
      double right = Math.ceil(left + (OVAL[0] + OVAL[2]) * wide);
      double bottom = Math.ceil(top + (OVAL[1] + OVAL[3]) * high);
      int toX = (int) Math.min(cell.x() + cell.width(), right);
      int toY = (int) Math.min(cell.y() + cell.height(), bottom);
      return toX > fromX && toY > fromY ? new Rect(fromX, fromY, toX - fromX, toY - fromY) : null;
    }

    /** By how much a place is in it, and is neither an eye nor the mouth. */
    double share(double x, double y) {
      double across = (x - left) / wide;
      double down = (y - top) / high;
      double share = clamped((1 - square(across, down, OVAL)) / SOFT);
      for (double[] kept : KEPT) {
        double beyond = square(across, down, kept) - 1;
        share = Math.min(share, clamped(beyond / KEPT_SOFT));
      }
      return share;
    }

    /** 1 on the edge of an ellipse, less within it. */
    private static double square(double x, double y, double[] ellipse) {
      double across = (x - ellipse[0]) / ellipse[2];
      double down = (y - ellipse[1]) / ellipse[3];
      return across * across + down * down;
    }
  }
}
