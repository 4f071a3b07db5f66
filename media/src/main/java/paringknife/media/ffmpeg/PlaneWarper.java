package paringknife.media.ffmpeg;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
import org.bytedeco.javacpp.Loader;
import org.jspecify.annotations.Nullable;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Place;
import paringknife.core.frame.Window;
import paringknife.core.frame.cameras.CameraGrid;

/**
 * Smooths skin and exchanges the ground behind people where that is asked for, cuts windows out of
 * pictures at fractions of a pixel and lays them on the canvas, pane by pane: every plane of a
 * 4:2:0 picture is drawn by itself, by cubic convolution. Chroma lies where H.264 puts it by
 * default: on the left luma sample of its four, between the upper and the lower ones (ITU-T H.264,
 * 6.2).
 */
final class PlaneWarper {
  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
  }

  private final FramePath path;
  private final int width;
  private final int height;
  private final int sourceWidth;
  private final int sourceHeight;
  private final @Nullable SkinSmoother skin;
  private final @Nullable Behind behind;
  private final @Nullable BackdropPlanes backdrop;
  private final List<PictureRun> runs;
  private final CameraGrid grid;

  PlaneWarper(RenderOrder order) {
    this.path = order.path();
    this.width = order.width();
    this.height = order.height();
    this.behind = order.behind();
    this.backdrop =
        order.backdrop() == null
            ? null
            : new BackdropPlanes(order.backdrop(), order.look().mirrored());
    this.runs = order.runs();
    this.grid = order.cameras().grid();
    WholePictures source = source(order);
    this.sourceWidth = source.width();
    this.sourceHeight = source.height();
    this.skin =
        order.skin().amount() == 0
            ? null
            : new SkinSmoother(order.skin(), runs, order.rate(), grid, sourceWidth, sourceHeight);
  }

  private static int even(double length) {
    return 2 * (int) Math.round(length / 2);
  }

  /**
   * What is to come here of an order: pictures are made smaller on their way where windows are
   * larger than the file.
   */
  static WholePictures source(RenderOrder order) {
    CameraGrid grid = order.cameras().grid();
    double scale = Math.min(1, order.height() / order.path().leastLines());
    return new WholePictures(
        Math.max(2, even(grid.width() * scale)), Math.max(2, even(grid.height() * scale)));
  }

  /** Warps all pictures of a stream into another. */
  void warp(InputStream pictures, OutputStream warped) throws IOException {
    byte[] in = new byte[sourceWidth * sourceHeight * 3 / 2];
    DataInputStream read = new DataInputStream(pictures);
    try (GroundBehind ground = ground();
        BackdropBehind standing = standing();
        Plane luma = new Plane(0, standing);
        Plane blue = new Plane(1, standing);
        Plane red = new Plane(2, standing)) {
      for (FramePath.Segment segment : path.segments()) {
        for (long f = 0; f < segment.count(); f++) {
          try {
            read.readFully(in);
          } catch (EOFException e) {
            return;
          }
          if (skin != null) {
            skin.smooth(in, segment.clipFrame() + f);
          }
          if (ground != null) {
            ground.lay(in, segment.clipFrame() + f);
          }
          if (standing != null) {
            standing.at(segment.clipFrame() + f);
          }
          warped.write(luma.laid(in, 0, segment, f));
          warped.write(blue.laid(in, luma.sourceSize(), segment, f));
          warped.write(red.laid(in, luma.sourceSize() + blue.sourceSize(), segment, f));
        }
      }
    }
  }

  private @Nullable GroundBehind ground() {
    return behind == null || behind.ground() == Ground.PICTURE
        ? null
        : new GroundBehind(behind, runs, grid, sourceWidth, sourceHeight);
  }

  private @Nullable BackdropBehind standing() {
    return behind == null || backdrop == null || behind.ground() != Ground.PICTURE
        ? null
        : new BackdropBehind(backdrop, behind.mattes(), runs, grid);
  }

  /** One plane of a picture, with where its samples lie on the grid of luma. */
  private final class Plane implements AutoCloseable {
    private final Mat from;
    private final Mat to;
    private final byte[] out;
    private final int number;
    private final PaneGround ground;
    private final @Nullable BackdropBehind standing;
    private final CubicWindow window;

    /** Where the middle of the first sample lies, in luma samples from the left edge. */
    private final double offsetX;

    /** Likewise from the upper edge. */
    private final double offsetY;

    /** Luma samples from one sample to the next. */
    private final int every;

    /**
     * @param number 0 for luma, 1 and 2 for chroma
     * @param standing lays a backdrop behind people; null for none
     */
    Plane(int number, @Nullable BackdropBehind standing) {
      this.number = number;
      this.standing = standing;
      this.every = number == 0 ? 1 : 2;
      this.offsetX = 0.5;
      this.offsetY = number == 0 ? 0.5 : 1;
      this.from = new Mat(sourceHeight / every, sourceWidth / every, CvType.CV_8UC1);
      this.to = new Mat(height / every, width / every, CvType.CV_8UC1);
      this.out = new byte[width / every * (height / every)];
      this.ground = new PaneGround(from, to, number, backdrop);
      this.window = new CubicWindow(from.cols(), from.rows());
    }

    int sourceSize() {
      return from.rows() * from.cols();
    }

    /** The nth picture of a segment as it is seen. */
    byte[] laid(byte[] in, int at, FramePath.Segment segment, long n) {
      if (!segment.isOneWindow()) {
        from.put(0, 0, in, at, sourceSize());
        ground.lay(segment.ground());
        to.get(0, 0, out);
      }
      for (FramePath.Pane pane : segment.panes()) {
        CubicWindow.Place place = placeOf(pane.place());
        draw(in, at, pane.at(n), place);
        if (standing != null) {
          standing.lay(
              new BackdropBehind.Part(number, out, to.cols(), place, every, offsetX, offsetY),
              pane.at(n));
        }
      }
      return out;
    }

    /** Edges lie between whole samples of chroma, so that all planes have the same. */
    private CubicWindow.Place placeOf(Place place) {
      int left = even(place.x() * width) / every;
      int top = even(place.y() * height) / every;
      int right = even((place.x() + place.width()) * width) / every;
      int bottom = even((place.y() + place.height()) * height) / every;
      return new CubicWindow.Place(left, top, Math.max(1, right - left), Math.max(1, bottom - top));
    }

    private void draw(byte[] in, int at, Window seen, CubicWindow.Place place) {
      double scaleX = sourceWidth / (double) grid.width();
      double scaleY = sourceHeight / (double) grid.height();
      double stepX = seen.width() / (place.width() * every);
      double stepY = seen.height() / (place.height() * every);
      window.draw(
          in,
          at,
          new CubicWindow.Axis(first(seen.x(), stepX, scaleX, offsetX), stepX * scaleX),
          new CubicWindow.Axis(first(seen.y(), stepY, scaleY, offsetY), stepY * scaleY),
          place,
          out,
          to.cols());
    }

    /** Where the first sample comes from, in samples of the source's plane. */
    private double first(double edge, double step, double scale, double offset) {
      return ((edge + offset * step) * scale - offset) / every;
    }

    @Override
    public void close() {
      List.of(from, to).forEach(Mat::release);
      ground.close();
    }
  }
}
