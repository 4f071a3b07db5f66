package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.CameraPlanner;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Shape;
import paringknife.core.frame.Window;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.pare.Pared;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.AnalysisPictures;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;

/**
 * The path of the window on a made film whose truth is known by the frame: somebody stands, walks
 * at 80 pixels a second, stands, leans aside, while the camera is shaken by 3 pixels RMS for a
 * while.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WalkerTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 720;
  private static final int FRAMES = 30 * 25;
  private static final double SHAKE = 3;

  /** Of the drawn head: eyes lie here, and the face is this wide. */
  private static final double EYES_Y = 190;

  private static final double FACE_WIDTH = 196;

  private final double[] middle = new double[FRAMES];
  private final double[] eyes = new double[FRAMES];
  private FramePath path;

  /** Where the walker's head is, seconds into the film. */
  private static double place(double t) {
    double walked = 330 + 80 * Math.max(0, Math.min(7, t - 5));
    double leant = t > 17 && t < 23 ? 70 * Math.sin((t - 17) / 6 * Math.PI) : 0;
    return walked + leant;
  }

  @BeforeAll
  void film(@TempDir Path folder) throws IOException, InterruptedException {
    Path film = folder.resolve("walker.mp4");
    draw(film);
    Recording recording = Probe.of(film);
    List<Person> people = PeopleTracker.people(new AnalysisPictures(recording).faces());
    assertThat(people).hasSize(1);
    Transcript nothingSaid = new Transcript("en", List.of(), List.of());
    Pared whole = Pared.of(List.of(new Span(0, FRAMES * 40_000L)));
    CutList cuts = whole.cuts(nothingSaid);
    path =
        FramePath.of(
            PictureRun.of(cuts, RATE),
            CameraPlanner.of(WIDTH, HEIGHT, people, nothingSaid)
                .plan(
                    whole.stretches(),
                    cuts,
                    Framed.of(new Shape(9, 16), new Layout.One(0)),
                    new Shape(9, 16)),
            RATE);
  }

  private void draw(Path film) throws IOException, InterruptedException {
    Random random = new Random(7);
    Portrait portrait = new Portrait(Filming.LOOKS.get(0), 0.6);
    new DrawnFilm(WIDTH, HEIGHT, 25)
        .write(
            film,
            FRAMES,
            List.of("-crf", "18"),
            (g, room, n) -> {
              double t = n / 25.0;
              boolean shaken = t > 12 && t < 17;
              double dx = shaken ? SHAKE * random.nextGaussian() : 0;
              double dy = shaken ? SHAKE * random.nextGaussian() : 0;
              double x = place(t);
              double top = 230;
              if (shaken) {
                g.setTransform(AffineTransform.getTranslateInstance(dx, dy));
                g.drawImage(room, 0, 0, null);
              }
              image(g, portrait.body(), x + dx, top + 170 + dy);
              image(g, portrait.head(n % 8 < 4 ? 2 : 0, n % 75 < 4), x + dx, top + dy);
              middle[n] = x + dx;
              eyes[n] = top + EYES_Y * 0.6 + dy;
            });
  }

  private static void image(Graphics2D g, BufferedImage image, double middle, double y) {
    g.setTransform(AffineTransform.getTranslateInstance(middle - image.getWidth() / 2.0, y));
    g.drawImage(image, 0, 0, null);
  }

  private List<Window> windows() {
    List<Window> windows = new ArrayList<>();
    for (FramePath.Segment segment : path.segments()) {
      for (long f = 0; f < segment.count(); f++) {
        windows.add(segment.at(segment.clipFrame() + f));
      }
    }
    assertThat(windows).hasSize(FRAMES);
    return windows;
  }

  @Test
  void theFaceIsWhollyInThePicture() {
    List<Window> windows = windows();
    int inside = 0;
    for (int n = 0; n < FRAMES; n++) {
      double half = FACE_WIDTH * 0.6 / 2;
      Window w = windows.get(n);
      inside += middle[n] - half >= w.x() && middle[n] + half <= w.x() + w.width() ? 1 : 0;
    }
    assertThat(inside).isGreaterThanOrEqualTo((int) (0.995 * FRAMES));
  }

  @Test
  void itMostlyStandsStillAndTurnsSoftly() {
    List<Window> windows = windows();
    int still = 0;
    for (int n = 1; n < FRAMES; n++) {
      double speed = windows.get(n).x() - windows.get(n - 1).x();
      still += Math.abs(speed) < 0.01 ? 1 : 0;
      if (n > 1) {
        double before = windows.get(n - 1).x() - windows.get(n - 2).x();
        assertThat(Math.abs(speed - before)).as("frame " + n).isLessThanOrEqualTo(1);
      }
    }
    assertThat(still)
        .as("frames at rest of " + FRAMES)
        .isGreaterThanOrEqualTo((int) (0.6 * FRAMES));
  }

  @Test
  void theFaceIsNearTheMiddleAndTheEyesAreWhereTheyShouldBe() {
    List<Window> windows = windows();
    double[] off = new double[FRAMES];
    int right = 0;
    for (int n = 0; n < FRAMES; n++) {
      Window w = windows.get(n);
      off[n] = Math.abs(middle[n] - w.x() - w.width() / 2) / w.width();
      double down = (eyes[n] - w.y()) / w.height();
      right += down >= 0.25 && down <= 0.4 ? 1 : 0;
    }
    Arrays.sort(off);
    assertThat(off[FRAMES / 2]).isLessThanOrEqualTo(0.08);
    assertThat(right).isGreaterThanOrEqualTo((int) (0.95 * FRAMES));
  }
}
