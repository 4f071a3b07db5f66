package paringknife.media.faces;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.bytedeco.javacpp.Loader;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;
import org.opencv.core.Size;
import org.opencv.imgcodecs.Imgcodecs;
import org.opencv.imgproc.Imgproc;
import paringknife.core.time.Span;

/**
 * Pictures of two real faces side by side that talk in turns: the public-domain portrait (NASA) of
 * Debian's {@code python3-skimage}, once as it is and once mirrored in another light, whose lower
 * lip and chin are warped downwards. Heads sway, lean and nod, the listener's mouth opens now and
 * then, and there is noise as of a camera.
 */
final class TalkingPortraits implements AutoCloseable {
  static final int WIDTH = 640;
  static final int HEIGHT = 360;
  static final int PER_SECOND = 5;

  /** Where the inner edge of the lower lip is in the portrait, pixels; it curves up beside. */
  private static final double MOUTH_X = 223;

  private static final double LIP_Y = 150.3;
  private static final double MOUTH_HALF = 20;
  private static final double LIP_CURVE = 10;
  private static final double WIDEST = 14;
  private static final int SIDE = 512;
  private static final byte[] DARK = {40, 12, 14};

  /** What of the portrait moves when the mouth does. */
  private static final int AROUND = 42;

  private static final int WIDE = 2 * AROUND + 1;
  private static final int TOP = 138;
  private static final int DEEP = 140;

  private static final double SCALE = 0.6;
  private static final double NOISE = 3;

  /** Pictures drawn for each that is seen, so that mouths do not move in step with the looks. */
  private static final int STEPS = 5;

  /** A stretch in which one of the two talks. */
  record Turn(Span span, int person) {}

  private final List<Mat> portraits = new ArrayList<>();
  private final List<Turn> turns = new ArrayList<>();
  private final Random random;
  private final double[] phase = new double[2];
  private final double[] wide = new double[2];
  private final double[] pace = {4, 4.6};
  private final double[] open = new double[2];

  TalkingPortraits(long seed) {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
    random = new Random(seed);
    Mat photo = Imgcodecs.imread(portrait().toString());
    Imgproc.cvtColor(photo, photo, Imgproc.COLOR_BGR2RGB);
    Mat other = new Mat();
    Core.flip(photo, other, 1);
    Core.multiply(other, new Scalar(0.85, 0.95, 1.1), other);
    portraits.add(photo);
    portraits.add(other);
  }

  /** Fetched by {@code ./paring-knife test}. */
  private static Path portrait() {
    Path file = Path.of("..", ".tools", "portrait", "astronaut.png");
    if (!Files.exists(file)) {
      throw new IllegalStateException("./paring-knife test fetches the portrait: " + file);
    }
    return file;
  }

  List<Turn> turns() {
    return turns;
  }

  /** So many seconds of talk, packed RGB. */
  List<byte[]> pictures(int seconds) {
    cast(seconds);
    List<byte[]> pictures = new ArrayList<>();
    for (int n = 0; n < seconds * PER_SECOND; n++) {
      for (int step = 0; step < STEPS; step++) {
        move((n * STEPS + step) / (double) (PER_SECOND * STEPS));
      }
      pictures.add(picture(n / (double) PER_SECOND));
    }
    return pictures;
  }

  private void cast(int seconds) {
    double at = 0;
    int person = 0;
    while (at < seconds) {
      double end = Math.min(seconds, at + 2 + 7 * random.nextDouble());
      turns.add(new Turn(new Span(Math.round(at * 1e6), Math.round(end * 1e6)), person));
      at = end + 0.6 * random.nextDouble();
      person = random.nextDouble() < 0.8 ? 1 - person : person;
    }
  }

  private boolean talks(int person, double seconds) {
    long us = Math.round(seconds * 1e6);
    return turns.stream().anyMatch(t -> t.person() == person && t.span().contains(us));
  }

  /** Mouths open and close four to five times a second while they talk (syllables, from memory). */
  private void move(double seconds) {
    for (int p = 0; p < 2; p++) {
      if (random.nextInt(6) == 0) {
        wide[p] = random.nextDouble() < 0.2 ? 0.05 : 0.35 + 0.65 * random.nextDouble();
        pace[p] = 3.5 + 2 * random.nextDouble();
      }
      phase[p] += 2 * Math.PI * pace[p] / (PER_SECOND * STEPS);
      boolean smiles = (int) (seconds / 2) % 7 == 3;
      double silent = smiles ? 0.15 : 0;
      double wanted = talks(p, seconds) ? wide[p] * (0.5 - 0.5 * Math.cos(phase[p])) : silent;
      open[p] += 0.6 * (wanted - open[p]);
    }
  }

  private byte[] picture(double seconds) {
    Mat frame = new Mat(HEIGHT, WIDTH, CvType.CV_8UC3, new Scalar(90, 80, 70));
    for (int p = 0; p < 2; p++) {
      draw(p, seconds, frame);
    }
    Mat noise = new Mat(HEIGHT, WIDTH, CvType.CV_16SC3);
    Core.randn(noise, 0, NOISE);
    Core.add(frame, noise, frame, new Mat(), CvType.CV_8UC3);
    byte[] packed = new byte[WIDTH * HEIGHT * 3];
    frame.get(0, 0, packed);
    frame.release();
    noise.release();
    return packed;
  }

  private void draw(int person, double seconds, Mat frame) {
    double lively = talks(person, seconds) ? 0.75 : 0.5;
    double own = 3 + 5 * person;
    boolean nods = (int) (seconds / 3) % 5 == person;
    double across = lively * (6 * Math.sin(0.9 * seconds + own) + 3 * Math.sin(2.3 * seconds));
    double down =
        lively
            * (5 * Math.sin(0.7 * seconds + own)
                + (nods ? 6 * Math.sin(2 * Math.PI * 1.3 * seconds) : 0));
    double lean = lively * Math.toRadians(3) * Math.sin(0.8 * seconds + own);
    double c = SCALE * Math.cos(lean);
    double s = SCALE * Math.sin(lean);
    double middle = SIDE / 2.0;
    double toX = WIDTH * (1 + 2 * person) / 4.0 + across;
    double toY = HEIGHT - middle * SCALE + down;
    Mat placed = new Mat(2, 3, CvType.CV_64F);
    placed.put(0, 0, c, -s, toX - (c - s) * middle, s, c, toY - (s + c) * middle);
    Mat opened = opened(person);
    Imgproc.warpAffine(
        opened,
        frame,
        placed,
        new Size(WIDTH, HEIGHT),
        Imgproc.INTER_AREA,
        Core.BORDER_TRANSPARENT,
        new Scalar(0, 0, 0));
    opened.release();
    placed.release();
  }

  /** A portrait with its mouth as far open as it is now. */
  private Mat opened(int person) {
    int middle = (int) (person == 0 ? MOUTH_X : SIDE - 1 - MOUTH_X);
    double far = open[person] * WIDEST;
    int left = middle - AROUND;
    float[] fromX = new float[WIDE * DEEP];
    float[] fromY = new float[WIDE * DEEP];
    Mat opened = portraits.get(person).clone();
    Mat chin = opened.submat(new Rect(left, TOP, WIDE, DEEP));
    for (int y = 0; y < DEEP; y++) {
      for (int x = 0; x < WIDE; x++) {
        fromX[y * WIDE + x] = left + x;
        fromY[y * WIDE + x] = (float) (TOP + y - lowered(x - AROUND, TOP + y, far));
      }
    }
    Mat mapX = new Mat(DEEP, WIDE, CvType.CV_32FC1);
    Mat mapY = new Mat(DEEP, WIDE, CvType.CV_32FC1);
    mapX.put(0, 0, fromX);
    mapY.put(0, 0, fromY);
    Imgproc.remap(portraits.get(person), chin, mapX, mapY, Imgproc.INTER_LINEAR);
    for (int x = 0; x < WIDE; x++) {
      double lip = lip(x - AROUND);
      for (int y = (int) Math.ceil(lip); y < lip + far * lips(x - AROUND); y++) {
        chin.put(y - TOP, x, DARK);
      }
    }
    chin.release();
    mapX.release();
    mapY.release();
    return opened;
  }

  /** Where the lower lip's edge is, so far beside the middle of the mouth. */
  private static double lip(double beside) {
    double u = beside / MOUTH_HALF;
    return LIP_Y - LIP_CURVE * Math.min(1, u * u);
  }

  /** How far the lips part there, as a share of how far they do in the middle. */
  private static double lips(double beside) {
    double u = Math.abs(beside) / MOUTH_HALF;
    return u < 1 ? Math.pow(Math.cos(u * Math.PI / 2), 0.8) : 0;
  }

  /** By how much what is below the lip has gone down; less and less towards the collar. */
  private static double lowered(double beside, double y, double far) {
    double below = y - lip(beside);
    if (below <= 0) {
      return 0;
    }
    double u = Math.abs(beside) / MOUTH_HALF;
    double chin = u < 2 ? Math.pow(Math.cos(u * Math.PI / 4), 2) : 0;
    double share = below < MOUTH_HALF ? Math.max(lips(beside), chin * below / MOUTH_HALF) : chin;
    double fading = Math.exp(-Math.pow(Math.max(0, below - MOUTH_HALF) / 35, 2));
    return Math.min(below, far * share * fading);
  }

  @Override
  public void close() {
    portraits.forEach(Mat::release);
  }
}
