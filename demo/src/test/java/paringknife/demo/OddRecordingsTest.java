package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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
import paringknife.core.frame.shots.ShotList;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.AnalysisPictures;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.Shots;

/** Recordings that are not two people at a table, from the file to the window: a sensible frame. */
class OddRecordingsTest {
  /** So many pictures a second are drawn; a film of more shows each several times. */
  private static final int DRAWN = 10;

  private static final int WIDTH = 640;
  private static final int HEIGHT = 360;
  private static final Shape UPRIGHT = new Shape(9, 16);

  /** The middle of a drawn face, from the upper edge of its head. */
  private static final double FACE_Y = 215;

  @TempDir private Path folder;

  /** Draws the picture of a moment. */
  private interface Scene {
    void draw(Graphics2D g, double seconds);
  }

  /** What came of a recording. */
  private record Seen(Recording recording, List<Person> people, FramePath path) {
    List<Window> windows() {
      List<Window> windows = new ArrayList<>();
      for (FramePath.Segment segment : path.segments()) {
        for (long f = 0; f < segment.count(); f++) {
          windows.add(segment.at(segment.clipFrame() + f));
        }
      }
      return windows;
    }
  }

  private Seen seen(String size, String rate, int seconds, Scene scene)
      throws IOException, InterruptedException {
    return seen(WIDTH, HEIGHT, size, rate, seconds, scene);
  }

  private Seen seen(int width, int height, String size, String rate, int seconds, Scene scene)
      throws IOException, InterruptedException {
    Path film = folder.resolve("film.mp4");
    new DrawnFilm(width, height, DRAWN)
        .write(
            film,
            seconds * DRAWN,
            List.of("-s", size, "-r", rate, "-crf", "20"),
            (g, room, n) -> scene.draw(g, n / (double) DRAWN));
    return framed(Probe.of(film));
  }

  private static Seen framed(Recording recording) {
    Recording.Picture picture = recording.picture();
    ShotList shots = ShotList.of(Shots.of(recording), picture.rate());
    List<Person> people =
        PeopleTracker.people(
            new AnalysisPictures(recording).faces(),
            shots,
            picture.width() / (double) picture.height());
    Transcript nothingSaid = new Transcript("en", List.of(), List.of());
    Pared whole = Pared.of(List.of(new Span(0, recording.durationUs())));
    CutList cuts = whole.cuts(nothingSaid);
    Layout layout = people.isEmpty() ? Layout.SPEAKER : new Layout.One(0);
    FramePath path =
        FramePath.of(
            PictureRun.of(cuts, picture.rate()),
            CameraPlanner.of(picture.width(), picture.height(), people, shots, nothingSaid)
                .plan(whole.stretches(), cuts, Framed.of(UPRIGHT, layout), UPRIGHT),
            picture.rate());
    Seen seen = new Seen(recording, people, path);
    liesWithinThePicture(seen);
    return seen;
  }

  /** Whatever is in it: every frame has its window, upright, inside the picture. */
  private static void liesWithinThePicture(Seen seen) {
    Recording.Picture picture = seen.recording().picture();
    List<Window> windows = seen.windows();
    double frames = seen.recording().durationUs() / 1e6 * picture.rate().perSecond();
    assertThat((double) windows.size()).isCloseTo(frames, within(2.0));
    for (Window w : windows) {
      assertThat(w.width() / w.height()).isCloseTo(9 / 16.0, within(0.01));
      assertThat(w.x()).isGreaterThanOrEqualTo(-0.01);
      assertThat(w.y()).isGreaterThanOrEqualTo(-0.01);
      assertThat(w.x() + w.width()).isLessThanOrEqualTo(picture.width() + 0.01);
      assertThat(w.y() + w.height()).isLessThanOrEqualTo(picture.height() + 0.01);
    }
  }

  /** A share of the windows that have a place of the picture in them, both in shares of it. */
  private static double shows(Seen seen, double x, double y) {
    Recording.Picture picture = seen.recording().picture();
    double px = x * picture.width();
    double py = y * picture.height();
    return seen.windows().stream()
            .filter(
                w -> px > w.x() && px < w.x() + w.width() && py > w.y() && py < w.y() + w.height())
            .count()
        / (double) seen.windows().size();
  }

  private static Portrait portrait(double scale) {
    return new Portrait(Filming.LOOKS.get(0), scale);
  }

  private static void image(Graphics2D g, BufferedImage image, double middle, double y) {
    g.setTransform(AffineTransform.getTranslateInstance(middle - image.getWidth() / 2.0, y));
    g.drawImage(image, 0, 0, null);
  }

  /** Somebody who sits, and stirs as people do. */
  private static void sits(
      Graphics2D g, Portrait portrait, double scale, double x, double top, double seconds) {
    double stirred = x + 3 * Math.sin(seconds * 1.7);
    image(g, portrait.body(), stirred, top + 284 * scale);
    int mouth = (int) (seconds * DRAWN) % 4 < 2 ? 2 : 0;
    image(g, portrait.head(mouth, seconds % 3 < 0.2), stirred, top + 2 * Math.sin(seconds));
  }

  private Scene oneAt(double x, double top, double scale) {
    Portrait portrait = portrait(scale);
    return (g, t) -> sits(g, portrait, scale, x, top, t);
  }

  @ParameterizedTest
  @CsvSource({
    "640x360, 50, 4",
    "640x360, 60000/1001, 4",
    "320x240, 25, 4",
    "3840x2160, 25, 2",
    "640x360, 30000/1001, 4"
  })
  void whoeverIsThereIsShownAtEverySizeAndRate(String size, String rate, int seconds)
      throws Exception {
    double scale = 0.4;
    Seen seen = seen(size, rate, seconds, oneAt(450, 90, scale));
    assertThat(seen.people().size()).isEqualTo(1);
    assertThat(shows(seen, 450 / 640.0, (90 + FACE_Y * scale) / 360)).isEqualTo(1);
  }

  @Test
  void aPortraitRecordingIsShownWhole() throws Exception {
    Seen seen = seen(360, 640, "720x1280", "25", 4, oneAt(180, 120, 0.5));
    assertThat(seen.people().size()).isEqualTo(1);
    assertThat(shows(seen, 0.5, (120 + FACE_Y * 0.5) / 640)).isEqualTo(1);
  }

  @Test
  void whereNobodyIsTheMiddleIsShown() throws Exception {
    Seen seen = seen("640x360", "25", 4, (g, t) -> {});
    assertThat(seen.people().size()).isZero();
    for (Window w : seen.windows()) {
      assertThat(w.x() + w.width() / 2).isCloseTo(320, within(1.0));
      assertThat(w.height()).isCloseTo(360, within(1.0));
    }
  }

  /** Windows, lines of text, a pointer that goes about. */
  @Test
  void aScreenHasNobodyInIt() throws Exception {
    Scene screen =
        (g, t) -> {
          g.setColor(new Color(0xF4F4F2));
          g.fillRect(0, 0, WIDTH, HEIGHT);
          g.setColor(new Color(0x39424E));
          g.fillRect(0, 0, WIDTH, 22);
          g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 12));
          for (int line = 0; line < 16; line++) {
            g.drawString(
                "total " + (line * 37 + (int) t) + "  remaining lines of a table",
                30,
                50 + line * 18);
          }
          g.fill(new Ellipse2D.Double(300 + 90 * Math.sin(t), 180 + 60 * Math.cos(t), 8, 8));
        };
    assertThat(seen("640x360", "25", 6, screen).people().size()).isZero();
  }

  @Test
  void twelveFacesAreTwelvePeople() throws Exception {
    Portrait portrait = portrait(0.22);
    Scene choir =
        (g, t) -> {
          for (int i = 0; i < 12; i++) {
            sits(g, portrait, 0.22, 60 + 100 * (i % 6) + 3 * i, 20 + 170 * (i / 6), t + i);
          }
        };
    Seen seen = seen("1280x720", "25", 5, choir);
    assertThat(seen.people().size()).isBetween(11, 12);
  }

  /** A picture of a face on the wall is nobody: it does not stir for over a minute. */
  @Test
  void aPosterIsNobody() throws Exception {
    Portrait small = portrait(0.2);
    Portrait portrait = portrait(0.4);
    Scene scene =
        (g, t) -> {
          image(g, small.head(0, false), 130, 40);
          sits(g, portrait, 0.4, 450, 90, t);
        };
    Seen seen = seen("640x360", "10", 75, scene);
    assertThat(seen.people().size()).isEqualTo(1);
    assertThat(shows(seen, 450 / 640.0, (90 + FACE_Y * 0.4) / 360)).isEqualTo(1);
  }

  /** The back of a head for ten seconds; who turns back is who was there. */
  @Test
  void whoTurnsAwayForTenSecondsStaysInThePicture() throws Exception {
    Portrait portrait = portrait(0.4);
    Scene scene =
        (g, t) -> {
          sits(g, portrait, 0.4, 450, 90, t);
          if (t > 4 && t < 14) {
            g.setTransform(new AffineTransform());
            g.setColor(new Color(0x7A3B22));
            g.fill(new Ellipse2D.Double(450 - 62, 95, 124, 150));
          }
        };
    Seen seen = seen("640x360", "10", 18, scene);
    assertThat(seen.people().size()).isEqualTo(1);
    assertThat(shows(seen, 450 / 640.0, (90 + FACE_Y * 0.4) / 360)).isEqualTo(1);
  }

  @ParameterizedTest
  @CsvSource({"true, false", "false, true", "true, true"})
  void masksAndHatsHideNobody(boolean hasMask, boolean hasHat) throws Exception {
    Portrait portrait = portrait(0.4);
    Scene scene =
        (g, t) -> {
          sits(g, portrait, 0.4, 450, 90, t);
          g.setTransform(
              AffineTransform.getTranslateInstance(
                  450 + 3 * Math.sin(t * 1.7), 90 + 2 * Math.sin(t)));
          if (hasMask) {
            g.setColor(new Color(0x9FC3D6));
            g.fill(new RoundRectangle2D.Double(-36, 92, 72, 46, 24, 24));
          }
          if (hasHat) {
            g.setColor(new Color(0x30343C));
            g.fill(new Ellipse2D.Double(-70, 34, 140, 22));
            g.fill(new RoundRectangle2D.Double(-44, -6, 88, 52, 30, 30));
          }
        };
    Seen seen = seen("640x360", "25", 5, scene);
    assertThat(seen.people().size()).isLessThanOrEqualTo(1);
    double shown = shows(seen, 450 / 640.0, (90 + FACE_Y * 0.4) / 360);
    if (!hasMask) {
      assertThat(seen.people().size()).isEqualTo(1);
      assertThat(shown).isEqualTo(1);
    }
  }
}
