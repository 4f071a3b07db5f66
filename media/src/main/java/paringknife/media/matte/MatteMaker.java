package paringknife.media.matte;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntFunction;
import org.bytedeco.javacpp.Loader;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Ffmpeg;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;

/**
 * Makes mattes from the proxy, of half its size. Where a camera sees nobody all of its picture
 * counts as somebody, so that nothing is exchanged there. Where the picture stays as it was the
 * matte hardly follows what the model sees, so that its edge is steady.
 */
final class MatteMaker {
  /** So much of the matte before stays where the picture does. */
  private static final double STEADY = 0.9;

  /** A difference of grey values that is no camera's noise. */
  private static final double MOVED = 5;

  /** Greys are compared as means of so many points across and down. */
  private static final int AROUND = 5;

  /** Frames that are looked at before the first, so that it is as steady as any. */
  private static final int RUN_UP = 8;

  /** Edges are made so many times as steep as the model's. */
  private static final double STEEPER = 1.8;

  /** A face that was not found for longer is not looked for. */
  private static final long STALE_US = 1_000_000;

  /** Mean difference of values that may be another shot. */
  private static final double OTHER = 12;

  /** Of so many values one is compared. */
  private static final int FEW = 61;

  private static final int VALUES = 256;
  private static final int CHANNELS = 3;
  private static final int SMALLER = 2;
  private static final double[] KEPT = new double[VALUES];
  private static final byte[] STEEP = new byte[VALUES];

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
    for (int v = 0; v < VALUES; v++) {
      KEPT[v] = STEADY * Math.exp(-Math.pow(v / MOVED, 2));
      STEEP[v] =
          (byte) Math.round(Math.max(0, Math.min(VALUES - 1, (v - 127.5) * STEEPER + 127.5)));
    }
  }

  private final Path proxy;
  private final CameraGrid grid;
  private final People people;
  private final FrameRate rate;

  /**
   * @param proxy the pictures of all cameras side by side
   */
  MatteMaker(Path proxy, CameraGrid grid, People people, FrameRate rate) {
    this.proxy = proxy;
    this.grid = grid;
    this.people = people;
    this.rate = rate;
  }

  /**
   * The mattes of some frames; fewer where the recording ends.
   *
   * @param first number of the first frame in the episode
   */
  MatteStretch make(long first, int count) {
    Recording.Picture picture = Probe.of(proxy).picture();
    long from = Math.max(0, first - RUN_UP);
    int all = (int) (first + count - from);
    double quarter = 0.25 / rate.perSecond();
    return Ffmpeg.inBackground()
        .recording(proxy, "-ss", Ffmpeg.seconds(Math.max(0, rate.startUs(from) / 1e6 - quarter)))
        .with("-frames:v", Integer.toString(all), "-pix_fmt", "rgb24", "-f", "rawvideo", "pipe:1")
        .within(Duration.ofMinutes(5))
        .read(in -> read(in, picture, from, (int) (first - from)));
  }

  private MatteStretch read(InputStream in, Recording.Picture picture, long from, int runUp)
      throws IOException {
    List<byte[]> pictures = new ArrayList<>();
    int size = picture.width() * picture.height() * CHANNELS;
    for (byte[] packed = in.readNBytes(size); packed.length == size; packed = in.readNBytes(size)) {
      pictures.add(packed);
    }
    int width = Math.max(1, picture.width() / SMALLER);
    int height = Math.max(1, picture.height() / SMALLER);
    Mat rgb = new Mat(picture.height(), picture.width(), CvType.CV_8UC3);
    Mat matte = new Mat(height, width, CvType.CV_8UC1);
    try (PersonModel model = new PersonModel()) {
      List<byte[]> seen =
          everySecond(
              pictures,
              from,
              n -> {
                rgb.put(0, 0, pictures.get(n));
                look(model, rgb, rate.startUs(from + n), matte);
                byte[] shares = new byte[width * height];
                matte.get(0, 0, shares);
                return shares;
              });
      List<byte[]> frames = steadied(seen, greys(pictures, rgb, matte.size()), runUp);
      return new MatteStretch(
          width, height, frames.isEmpty() ? List.of(allOf(width, height)) : frames);
    } finally {
      rgb.release();
      matte.release();
    }
  }

  /**
   * Looks at every second picture, and takes the one between two that look alike for half-way
   * between them.
   */
  private static List<byte[]> everySecond(
      List<byte[]> pictures, long from, IntFunction<byte[]> look) {
    byte[][] seen = new byte[pictures.size()][];
    for (int n = 0; n < seen.length; n++) {
      boolean between =
          (from + n) % 2 == 1
              && n > 0
              && n + 1 < seen.length
              && apart(pictures.get(n - 1), pictures.get(n)) < OTHER
              && apart(pictures.get(n), pictures.get(n + 1)) < OTHER;
      if (!between) {
        seen[n] = look.apply(n);
      }
    }
    for (int n = 0; n < seen.length; n++) {
      if (seen[n] == null) {
        seen[n] = halfWay(seen[n - 1], seen[n + 1]);
      }
    }
    return List.of(seen);
  }

  /** By how much two pictures differ, in mean values of a few of their points. */
  private static double apart(byte[] one, byte[] other) {
    long sum = 0;
    int count = 0;
    for (int i = 0; i < one.length; i += FEW) {
      sum += Math.abs((one[i] & 255) - (other[i] & 255));
      count++;
    }
    return sum / (double) Math.max(1, count);
  }

  private static byte[] halfWay(byte[] one, byte[] other) {
    byte[] between = new byte[one.length];
    for (int i = 0; i < one.length; i++) {
      between[i] = (byte) (((one[i] & 255) + (other[i] & 255) + 1) / 2);
    }
    return between;
  }

  private static List<byte[]> greys(List<byte[]> pictures, Mat rgb, Size size) {
    Mat grey = new Mat();
    List<byte[]> greys = new ArrayList<>();
    for (byte[] picture : pictures) {
      rgb.put(0, 0, picture);
      Imgproc.cvtColor(rgb, grey, Imgproc.COLOR_RGB2GRAY);
      Imgproc.resize(grey, grey, size, 0, 0, Imgproc.INTER_AREA);
      Imgproc.blur(grey, grey, new Size(AROUND, AROUND));
      byte[] values = new byte[(int) grey.total()];
      grey.get(0, 0, values);
      greys.add(values);
    }
    grey.release();
    return greys;
  }

  private static List<byte[]> steadied(List<byte[]> seen, List<byte[]> greys, int runUp) {
    List<byte[]> frames = new ArrayList<>();
    double[] steady = new double[0];
    for (int n = 0; n < seen.size(); n++) {
      double[] now = new double[seen.get(n).length];
      for (int i = 0; i < now.length; i++) {
        now[i] = seen.get(n)[i] & 255;
        if (n > 0) {
          int moved = Math.abs((greys.get(n)[i] & 255) - (greys.get(n - 1)[i] & 255));
          now[i] += KEPT[moved] * (steady[i] - now[i]);
        }
      }
      steady = now;
      if (n >= runUp) {
        frames.add(steep(steady));
      }
    }
    return frames;
  }

  private static byte[] allOf(int width, int height) {
    byte[] all = new byte[width * height];
    Arrays.fill(all, (byte) (VALUES - 1));
    return all;
  }

  private void look(PersonModel model, Mat rgb, long us, Mat matte) {
    matte.setTo(new Scalar(VALUES - 1));
    for (int c = 0; c < grid.cameras(); c++) {
      Mat picture = rgb.submat(tile(c, rgb));
      Mat own = matte.submat(tile(c, matte));
      List<Person> seen = seenBy(c, us);
      if (!seen.isEmpty()) {
        own.setTo(new Scalar(0));
      }
      seen.forEach(person -> model.add(picture, person.faceAt(us), own));
      picture.release();
      own.release();
    }
  }

  private List<Person> seenBy(int camera, long us) {
    Span around = new Span(Math.max(0, us - STALE_US), us + STALE_US);
    List<Person> seen = new ArrayList<>();
    for (int p = 0; p < people.count(); p++) {
      if (people.isSeen(p) && !people.on(camera).get(p).seenIn(around).isEmpty()) {
        seen.add(people.on(camera).get(p));
      }
    }
    return seen;
  }

  private Rect tile(int camera, Mat of) {
    CameraGrid.Cell cell = grid.cells().get(camera);
    double across = of.cols() / (double) grid.width();
    double down = of.rows() / (double) grid.height();
    int x = (int) Math.round(cell.x() * across);
    int y = (int) Math.round(cell.y() * down);
    int right = Math.min(of.cols(), (int) Math.round((cell.x() + cell.width()) * across));
    int bottom = Math.min(of.rows(), (int) Math.round((cell.y() + cell.height()) * down));
    return new Rect(x, y, Math.max(1, right - x), Math.max(1, bottom - y));
  }

  private static byte[] steep(double[] matte) {
    byte[] steep = new byte[matte.length];
    for (int i = 0; i < matte.length; i++) {
      steep[i] = STEEP[(int) Math.round(matte[i])];
    }
    return steep;
  }
}
