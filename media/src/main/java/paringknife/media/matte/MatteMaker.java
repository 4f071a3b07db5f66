package paringknife.media.matte;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.bytedeco.javacpp.Loader;
import org.jspecify.annotations.Nullable;
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
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Ffmpeg;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;

/**
 * Makes mattes from the proxy, of half its size. Where a camera sees nobody in a shot all of its
 * picture counts as somebody, so that nothing is exchanged there. Where the picture stays as it was
 * the matte hardly follows what the model sees, so that its edge is steady.
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

  /** Mean difference of grey values that may be another shot. */
  private static final double OTHER = 12;

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
  private final List<ShotList> shots;
  private final FrameRate rate;

  /**
   * @param proxy the pictures of all cameras side by side
   * @param shots of each camera
   */
  MatteMaker(Path proxy, CameraGrid grid, People people, List<ShotList> shots, FrameRate rate) {
    this.proxy = proxy;
    this.grid = grid;
    this.people = people;
    this.shots = List.copyOf(shots);
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
    int width = Math.max(1, picture.width() / SMALLER);
    int height = Math.max(1, picture.height() / SMALLER);
    try (Looked looked = new Looked(picture.width(), picture.height(), from)) {
      looked.all(in);
      List<byte[]> frames = steadied(looked, runUp);
      return new MatteStretch(
          width, height, frames.isEmpty() ? List.of(allOf(width, height)) : frames);
    }
  }

  /**
   * What is seen in a run of pictures, of which two are in memory at a time. Every second one is
   * looked at; one between two that are like it is taken for half-way between them.
   */
  private final class Looked implements AutoCloseable {
    private final PersonModel model = new PersonModel();
    private final List<Cast> casts =
        IntStream.range(0, grid.cameras()).mapToObj(Cast::new).toList();
    private final long from;
    private final Mat rgb;
    private final Mat matte;
    private final Mat grey = new Mat();
    private final List<byte[]> greys = new ArrayList<>();
    private final List<byte[]> seen = new ArrayList<>();

    Looked(int width, int height, long from) {
      this.from = from;
      this.rgb = new Mat(height, width, CvType.CV_8UC3);
      this.matte =
          new Mat(Math.max(1, height / SMALLER), Math.max(1, width / SMALLER), CvType.CV_8UC1);
    }

    void all(InputStream pictures) throws IOException {
      int size = rgb.cols() * rgb.rows() * CHANNELS;
      byte @Nullable [] waiting = null;
      for (byte[] picture = pictures.readNBytes(size);
          picture.length == size;
          picture = pictures.readNBytes(size)) {
        greys.add(greyOf(picture));
        int n = greys.size() - 1;
        if (waiting != null) {
          boolean between = n > 1 && isLike(n - 1) && isLike(n);
          byte[] next = look(picture, n);
          seen.add(between ? halfWay(seen.get(n - 2), next) : look(waiting, n - 1));
          seen.add(next);
          waiting = null;
        } else if (n > 0 && (from + n) % 2 == 1) {
          waiting = picture;
        } else {
          seen.add(look(picture, n));
        }
      }
      if (waiting != null) {
        seen.add(look(waiting, greys.size() - 1));
      }
    }

    private byte[] greyOf(byte[] picture) {
      rgb.put(0, 0, picture);
      Imgproc.cvtColor(rgb, grey, Imgproc.COLOR_RGB2GRAY);
      Imgproc.resize(grey, grey, matte.size(), 0, 0, Imgproc.INTER_AREA);
      Imgproc.blur(grey, grey, new Size(AROUND, AROUND));
      byte[] values = new byte[(int) grey.total()];
      grey.get(0, 0, values);
      return values;
    }

    private byte[] look(byte[] picture, int n) {
      rgb.put(0, 0, picture);
      MatteMaker.this.look(model, casts, rgb, rate.startUs(from + n), matte);
      byte[] shares = new byte[(int) matte.total()];
      matte.get(0, 0, shares);
      return shares;
    }

    /** Whether a picture goes on from the one before it. */
    private boolean isLike(int n) {
      return !isCut(from + n) && apart(n - 1, n) < OTHER;
    }

    /** By how much two pictures differ, in mean grey values. */
    private double apart(int one, int other) {
      long sum = 0;
      byte[] before = greys.get(one);
      byte[] after = greys.get(other);
      for (int i = 0; i < before.length; i++) {
        sum += Math.abs((before[i] & 255) - (after[i] & 255));
      }
      return sum / (double) before.length;
    }

    @Override
    public void close() {
      model.close();
      rgb.release();
      matte.release();
      grey.release();
    }
  }

  private static byte[] halfWay(byte[] one, byte[] other) {
    byte[] between = new byte[one.length];
    for (int i = 0; i < one.length; i++) {
      between[i] = (byte) (((one[i] & 255) + (other[i] & 255) + 1) / 2);
    }
    return between;
  }

  private List<byte[]> steadied(Looked looked, int runUp) {
    List<byte[]> frames = new ArrayList<>();
    double[] steady = new double[0];
    for (int n = 0; n < looked.seen.size(); n++) {
      byte[] seen = looked.seen.get(n);
      boolean goesOn = n > 0 && !isCut(looked.from + n);
      double[] now = new double[seen.length];
      for (int i = 0; i < now.length; i++) {
        now[i] = seen[i] & 255;
        if (goesOn) {
          int grey = looked.greys.get(n)[i] & 255;
          int moved = Math.abs(grey - (looked.greys.get(n - 1)[i] & 255));
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

  /** Whether a camera begins another shot with a frame. */
  private boolean isCut(long frame) {
    long us = rate.startUs(frame);
    long before = rate.startUs(Math.max(0, frame - 1));
    return shots.stream().anyMatch(s -> s.around(us).startUs() > before);
  }

  private static byte[] allOf(int width, int height) {
    byte[] all = new byte[width * height];
    Arrays.fill(all, (byte) (VALUES - 1));
    return all;
  }

  private void look(PersonModel model, List<Cast> casts, Mat rgb, long us, Mat matte) {
    matte.setTo(new Scalar(VALUES - 1));
    List<CameraGrid.Cell> pictures = grid.cellsIn(rgb.cols(), rgb.rows());
    List<CameraGrid.Cell> mattes = grid.cellsIn(matte.cols(), matte.rows());
    for (int c = 0; c < grid.cameras(); c++) {
      Mat picture = rgb.submat(rect(pictures.get(c)));
      Mat own = matte.submat(rect(mattes.get(c)));
      List<Person> seen = casts.get(c).at(us);
      if (!seen.isEmpty()) {
        own.setTo(new Scalar(0));
      }
      seen.forEach(person -> model.add(picture, person.faceAt(us), own));
      picture.release();
      own.release();
    }
  }

  /**
   * Who is seen in the shot that a camera has now. Who turns away in it is still looked for where
   * they were.
   */
  private final class Cast {
    private final int camera;
    private Span shot = new Span(0, 0);
    private List<Person> seen = List.of();

    Cast(int camera) {
      this.camera = camera;
    }

    List<Person> at(long us) {
      if (!shot.contains(us)) {
        shot = shots.get(camera).around(us);
        seen =
            IntStream.range(0, people.count())
                .filter(people::isSeen)
                .mapToObj(p -> people.on(camera).get(p).in(shot))
                .filter(Person::isSeen)
                .toList();
      }
      return seen;
    }
  }

  private static Rect rect(CameraGrid.Cell cell) {
    return new Rect(cell.x(), cell.y(), cell.width(), cell.height());
  }

  private static byte[] steep(double[] matte) {
    byte[] steep = new byte[matte.length];
    for (int i = 0; i < matte.length; i++) {
      steep[i] = STEEP[(int) Math.round(matte[i])];
    }
    return steep;
  }
}
