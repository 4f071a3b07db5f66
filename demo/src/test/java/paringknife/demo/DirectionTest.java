package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import paringknife.core.frame.people.Face;
import paringknife.core.time.FrameRate;
import paringknife.media.faces.FaceDetector;

/** What the demo's cameras see is there for a face detector, too. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DirectionTest {
  private static final Direction.View NEARER = new Direction.View(1.25, 0.5, 0.52);
  private static final Direction DIRECTION =
      new Direction(
          true,
          new Direction.Lean(0, 10, 16, 0.2, 0.5, 0.3),
          List.of(new Direction.Shot(0, Direction.View.WHOLE), new Direction.Shot(30, NEARER)),
          new Direction.View(1.35, 0.745, 0.5));

  private final FaceDetector detector = new FaceDetector();
  private DemoMaker.Plan plan;
  private Performance performance;

  @BeforeAll
  void perform() throws Exception {
    Voice voice = DemoMaker.FIELD_NOTES.voices().get(0);
    plan =
        new DemoMaker.Plan(
            "t",
            "field-notes-03.txt",
            "",
            "",
            List.of(voice, voice),
            new FrameRate(25, 1),
            1280,
            720,
            0,
            DIRECTION);
    performance = DemoMaker.perform(plan);
  }

  /** From left to right. */
  private List<Face> seen(Filming.Camera camera, double seconds) {
    BufferedImage still = new Filming(performance, plan, camera).still(seconds);
    int[] pixels = ((DataBufferInt) still.getRaster().getDataBuffer()).getData();
    byte[] rgb = new byte[pixels.length * 3];
    for (int i = 0; i < pixels.length; i++) {
      rgb[3 * i] = (byte) (pixels[i] >> 16);
      rgb[3 * i + 1] = (byte) (pixels[i] >> 8);
      rgb[3 * i + 2] = (byte) pixels[i];
    }
    Mat picture = new Mat(still.getHeight(), still.getWidth(), CvType.CV_8UC3);
    picture.put(0, 0, rgb);
    List<Face> faces = detector.detect(picture);
    picture.release();
    return faces.stream().sorted(Comparator.comparingDouble(Face::x)).toList();
  }

  @Test
  void whoeverLeansOverIsStillSeen() {
    Filming.Camera first = Filming.Camera.first(plan);
    Face upright = seen(first, 8).get(0);
    Face leant = seen(first, 13).get(0);
    assertThat(leant.middleX() - upright.middleX()).isBetween(0.04, 0.12);
    assertThat(seen(first, 18).get(0).middleX()).isCloseTo(upright.middleX(), within(0.01));
    assertThat(DIRECTION.lean().shareAt(9.9)).isZero();
    assertThat(DIRECTION.lean().shareAt(10.4)).isCloseTo(0.5, within(1e-9));
    assertThat(DIRECTION.lean().shareAt(13)).isEqualTo(1);
  }

  @Test
  void theFirstCameraChangesItsShotAndTheSecondIsCloseOnTheGuest() {
    Filming.Camera first = Filming.Camera.first(plan);
    Face guest = seen(first, 29).get(1);
    assertThat(seen(first, 31).get(1).height()).isCloseTo(1.25 * guest.height(), within(0.03));
    Filming.Camera second =
        new Filming.Camera(
            960, 540, List.of(new Direction.Shot(-1, DIRECTION.second())), 1, "null");
    Face close = seen(second, 29).get(0);
    assertThat(close.height()).isCloseTo(1.35 * guest.height(), within(0.04));
    assertThat(close.middleX()).isCloseTo(0.5, within(0.05));
  }
}
