package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.bytedeco.javacpp.Loader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.opencv.core.Mat;
import org.opencv.imgcodecs.Imgcodecs;
import org.opencv.imgproc.Imgproc;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FollowedFace;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.faces.FaceDetector;

/**
 * Skin on the public-domain portrait (NASA) of Debian's {@code python3-skimage}, with noise and
 * spots put on it, so that what should come out is known.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SkinSmootherTest {
  private static final int SIDE = 512;
  private static final int LUMA = SIDE * SIDE;
  private static final double NOISE = 4;

  /** Eyes and mouth in the portrait, pixels, as one sees them. */
  private static final int[][] FEATURES = {
    {196, 97, 213, 107}, {238, 98, 256, 108}, {206, 141, 242, 153}
  };

  private byte[] clean;
  private byte[] noisy;
  private Face face;

  @BeforeAll
  void look() {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Path portrait = Path.of("..", ".tools", "portrait", "astronaut.png");
    assertThat(portrait).as("./paring-knife test fetches it").exists();
    Mat rgb = Imgcodecs.imread(portrait.toString());
    Imgproc.cvtColor(rgb, rgb, Imgproc.COLOR_BGR2RGB);
    face = new FaceDetector().detect(rgb).get(0);
    Mat planes = new Mat();
    Imgproc.cvtColor(rgb, planes, Imgproc.COLOR_RGB2YUV_I420);
    clean = new byte[LUMA * 3 / 2];
    planes.get(0, 0, clean);
    noisy = clean.clone();
    Random random = new Random(7);
    for (int i = 0; i < LUMA; i++) {
      noisy[i] = value((clean[i] & 255) + NOISE * random.nextGaussian());
    }
    rgb.release();
    planes.release();
  }

  private static byte value(double luma) {
    return (byte) Math.max(0, Math.min(255, Math.round(luma)));
  }

  private byte[] smoothed(byte[] picture, double amount, Face at) {
    FollowedFace followed =
        new FollowedFace(0, new Span(0, 1_000_000), List.of(new Person.Sighting(0, at)));
    byte[] smooth = picture.clone();
    new SkinSmoother(
            new SmoothedSkin(amount, List.of(followed)),
            List.of(new PictureRun(0, 0, 25)),
            new FrameRate(25, 1),
            CameraGrid.one(SIDE, SIDE),
            SIDE,
            SIDE)
        .smooth(smooth, 3);
    return smooth;
  }

  /** Root mean square of the difference within a part of the picture. */
  private static double apart(byte[] one, byte[] other, int[] part) {
    double sum = 0;
    for (int y = part[1]; y < part[3]; y++) {
      for (int x = part[0]; x < part[2]; x++) {
        double d = (one[y * SIDE + x] & 255) - (other[y * SIDE + x] & 255);
        sum += d * d;
      }
    }
    return Math.sqrt(sum / ((part[2] - part[0]) * (part[3] - part[1])));
  }

  @Test
  void skinIsEvenedOutAndWhatMakesAFaceIsKept() {
    byte[] smooth = smoothed(noisy, 1, face);
    int[] cheek = {252, 120, 264, 130};
    int[] otherCheek = {186, 119, 196, 129};
    for (int[] skin : List.of(cheek, otherCheek)) {
      assertThat(apart(noisy, clean, skin)).isCloseTo(NOISE, within(0.8));
      assertThat(apart(smooth, smoothed(clean, 1, face), skin))
          .as("what is left of the noise")
          .isLessThan(0.6 * NOISE);
    }
    for (int[] feature : FEATURES) {
      assertThat(apart(smooth, noisy, feature)).as("eyes and mouth stay as they are").isLessThan(1);
    }
    assertThat(steepest(smoothed(clean, 1, face)))
        .as("edges of the face stay as steep")
        .isCloseTo(steepest(clean), withinPercentage(5));
  }

  /** Mean step from sample to sample along lines, where the picture has its edges. */
  private double steepest(byte[] picture) {
    long sum = 0;
    int edges = 0;
    for (int y = 60; y < 190; y++) {
      for (int x = 170; x < 280; x++) {
        int at = y * SIDE + x;
        if (Math.abs((clean[at + 1] & 255) - (clean[at] & 255)) > 25) {
          sum += Math.abs((picture[at + 1] & 255) - (picture[at] & 255));
          edges++;
        }
      }
    }
    assertThat(edges).isGreaterThan(100);
    return sum / (double) edges;
  }

  @Test
  void nothingElseIsTouched() {
    byte[] smooth = smoothed(noisy, 1, face);
    int changed = 0;
    for (int i = 0; i < smooth.length; i++) {
      if (smooth[i] != noisy[i]) {
        changed++;
        double x = (i % SIDE / (double) SIDE - face.x()) / face.width();
        double y = (i / SIDE / (double) SIDE - face.y()) / face.height();
        assertThat(i).as("chroma stays").isLessThan(LUMA);
        assertThat(Math.abs(x - 0.5)).isLessThan(0.57);
        assertThat(Math.abs(y - 0.55)).isLessThan(0.57);
      }
    }
    assertThat(changed).isGreaterThan(2_000);
    byte[] green = noisy.clone();
    java.util.Arrays.fill(green, LUMA, green.length, (byte) 90);
    assertThat(smoothed(green, 1, face)).as("what has not the colour of skin").isEqualTo(green);
  }

  @Test
  void halfOfItIsHalfway() {
    byte[] whole = smoothed(noisy, 1, face);
    byte[] half = smoothed(noisy, 0.5, face);
    for (int i = 0; i < LUMA; i++) {
      double middle = ((noisy[i] & 255) + (whole[i] & 255)) / 2.0;
      assertThat(half[i] & 255).isCloseTo((int) Math.round(middle), within(1));
    }
  }

  @Test
  void facesAtAndBeyondTheEdgesDoNoHarm() {
    for (Face at :
        List.of(
            new Face(-0.2, -0.2, 0.3, 0.3, 0),
            new Face(0.9, 0.95, 0.4, 0.4, 0),
            new Face(2, 2, 0.1, 0.1, 0),
            new Face(0.5, 0.5, 0, 0, 0),
            new Face(0.4, 0.4, 0.001, 0.001, 0))) {
      assertThat(smoothed(noisy, 1, at)).hasSize(noisy.length);
    }
  }
}
