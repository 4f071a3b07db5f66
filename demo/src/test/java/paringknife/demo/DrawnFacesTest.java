package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.RescaleOp;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.faces.FaceDetector;
import paringknife.media.faces.FaceReading;

/** The drawn people are people to the face detector, and known again in other shots. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DrawnFacesTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final int WIDTH = 640;
  private static final int HEIGHT = 360;
  private static final int PICTURES = 60;

  /** Each still stands for a second in a shot of four. */
  private static final int STILLS_PER_SHOT = 4;

  private static final int PICTURES_PER_SHOT = 5 * STILLS_PER_SHOT;
  private static final long SHOT_US = 4_000_000;

  private enum Seen {
    BOTH,
    LEFT,
    RIGHT
  }

  /** What is in each shot, and how its red, green and blue are altered. */
  private record Shot(Seen seen, float... light) {}

  private static final List<Shot> SHOTS =
      List.of(
          new Shot(Seen.BOTH, 1, 1, 1),
          new Shot(Seen.LEFT, 1, 1, 1),
          new Shot(Seen.RIGHT, 1, 1, 1),
          new Shot(Seen.BOTH, 1.1f, 1.05f, 0.95f),
          new Shot(Seen.LEFT, 0.88f, 0.88f, 0.88f),
          new Shot(Seen.RIGHT, 1, 1, 1));

  private final List<BufferedImage> stills = new ArrayList<>();

  @BeforeAll
  void draw() throws IOException {
    Voice voice = DemoMaker.FIELD_NOTES.voices().get(0);
    DemoMaker.Plan plan =
        new DemoMaker.Plan(
            "t", "field-notes-03.txt", "", "", List.of(voice, voice), RATE, 1280, 720, 0);
    Filming filming = new Filming(DemoMaker.perform(plan), plan, Filming.Camera.first(plan));
    for (int i = 0; i < PICTURES; i++) {
      stills.add(filming.still(1 + i * 1.73));
    }
  }

  @Test
  void bothFacesAreFoundInAtLeast95PercentOfPictures() {
    FaceDetector detector = new FaceDetector();
    long good = stills.stream().filter(s -> detector.detect(rgb(s)).size() == 2).count();
    assertThat(good).isGreaterThanOrEqualTo((long) Math.ceil(0.95 * PICTURES));
  }

  @Test
  void eachIsKnownAgainFromAfarAndCloseInOtherLight() throws IOException {
    ByteArrayOutputStream pictures = new ByteArrayOutputStream();
    for (int n = 0; n < SHOTS.size() * STILLS_PER_SHOT; n++) {
      byte[] picture = shown(stills.get(n), SHOTS.get(n / STILLS_PER_SHOT));
      for (int again = 0; again < 5; again++) {
        pictures.write(picture);
      }
    }
    ShotList shots =
        new ShotList(LongStream.range(0, SHOTS.size()).map(s -> s * SHOT_US).boxed().toList());
    List<Person> people =
        PeopleTracker.people(
            new FaceReading(WIDTH, HEIGHT, 5)
                .read(new ByteArrayInputStream(pictures.toByteArray())),
            shots,
            16 / 9.0);
    assertThat(people).hasSize(2);
    int left = people.get(0).typicalFace(0, SHOT_US).middleX() < 0.5 ? 0 : 1;
    for (int shot = 0; shot < SHOTS.size(); shot++) {
      Span span = new Span(shot * SHOT_US, (shot + 1) * SHOT_US);
      for (int p = 0; p < 2; p++) {
        Seen seen = SHOTS.get(shot).seen();
        boolean there = seen == Seen.BOTH || seen == (p == left ? Seen.LEFT : Seen.RIGHT);
        int times = people.get(p).seenIn(span).size();
        assertThat(times)
            .as("person %d in shot %d", p, shot)
            .isBetween(there ? (int) (0.9 * PICTURES_PER_SHOT) : 0, there ? PICTURES_PER_SHOT : 0);
      }
    }
  }

  /** Both or one of them close, packed RGB. */
  private static byte[] shown(BufferedImage whole, Shot shot) {
    BufferedImage small = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = small.createGraphics();
    int w = whole.getWidth();
    int h = whole.getHeight();
    int top = shot.seen() == Seen.BOTH ? 0 : h / 4;
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(
        whole,
        0,
        0,
        WIDTH,
        HEIGHT,
        shot.seen() == Seen.RIGHT ? w / 2 : 0,
        top,
        shot.seen() == Seen.LEFT ? w / 2 : w,
        h - top,
        null);
    g.dispose();
    new RescaleOp(shot.light(), new float[3], null).filter(small, small);
    return packed(small);
  }

  private static byte[] packed(BufferedImage image) {
    int w = image.getWidth();
    byte[] bytes = new byte[w * image.getHeight() * 3];
    for (int i = 0; i < bytes.length / 3; i++) {
      int value = image.getRGB(i % w, i / w);
      bytes[i * 3] = (byte) (value >> 16);
      bytes[i * 3 + 1] = (byte) (value >> 8);
      bytes[i * 3 + 2] = (byte) value;
    }
    return bytes;
  }

  private static Mat rgb(BufferedImage image) {
    Mat mat = new Mat(image.getHeight(), image.getWidth(), CvType.CV_8UC3);
    mat.put(0, 0, packed(image));
    Mat small = new Mat();
    Imgproc.resize(mat, small, new Size(WIDTH, HEIGHT), 0, 0, Imgproc.INTER_AREA);
    return small;
  }
}
