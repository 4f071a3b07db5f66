package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.javacpp.Loader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opencv.core.Mat;
import org.opencv.imgcodecs.Imgcodecs;
import org.opencv.imgproc.Imgproc;
import paringknife.core.deliver.cover.CoverLook;
import paringknife.core.deliver.cover.CoverPicker;
import paringknife.core.frame.SeenFace;
import paringknife.core.frame.Window;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.media.faces.FaceDetector;
import paringknife.media.process.ChildProcess;

/**
 * Four seconds of the public-domain portrait (NASA) of Debian's {@code python3-skimage}: as it is,
 * with its eyes shut, out of focus, and shaken.
 */
class CoverLooksTest {
  private static final int SIDE = 500;

  /** What is cut away around, so that there is room to shake. */
  private static final int AROUND = 6;

  /** The skin between the eyes. */
  private static final int[] SKIN = {220, 102};

  /** Lids, and the lashes where they meet, as one sees where they are in the portrait, pixels. */
  private static final String SHUT =
      "drawbox=194:96:22:8:COLOUR:fill:enable='between(t,1,1.95)',"
          + "drawbox=236:97:22:8:COLOUR:fill:enable='between(t,1,1.95)',"
          + "drawbox=196:104:17:2:0x402820:fill:enable='between(t,1,1.95)',"
          + "drawbox=238:105:18:2:0x402820:fill:enable='between(t,1,1.95)'";

  @TempDir static Path folder;
  private static List<CoverLook> looks;

  @BeforeAll
  static void look() {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Path portrait = Path.of("..", ".tools", "portrait", "astronaut.png");
    assertThat(portrait).as("./paring-knife test fetches it").exists();
    Mat rgb = Imgcodecs.imread(portrait.toString());
    Imgproc.cvtColor(rgb, rgb, Imgproc.COLOR_BGR2RGB);
    double[] skin = rgb.get(SKIN[1], SKIN[0]);
    Face face = new FaceDetector().detect(rgb).get(0);
    int side = rgb.rows();
    rgb.release();
    Path film = folder.resolve("film.mp4");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-v",
            "error",
            "-loop",
            "1",
            "-framerate",
            "10",
            "-t",
            "4",
            "-i",
            portrait.toAbsolutePath().toString(),
            "-vf",
            SHUT.replace(
                    "COLOUR",
                    "0x%02X%02X%02X".formatted((int) skin[0], (int) skin[1], (int) skin[2]))
                + ",gblur=sigma=3:enable='between(t,2,2.95)',crop=SIDE:SIDE:AROUND+AROUND*mod(n\\,2)*gte(t\\,3):AROUND"
                    .replace("SIDE", "" + SIDE)
                    .replace("AROUND", "" + AROUND),
            "-c:v",
            "libx264",
            "-crf",
            "12",
            "-pix_fmt",
            "yuv420p",
            film.toString()),
        folder,
        Duration.ofMinutes(1));
    List<SeenFace> seen = new ArrayList<>();
    for (int second = 0; second < 4; second++) {
      seen.add(
          new SeenFace(
              second * 10L + 5,
              second * 1_000_000L + 500_000,
              new Window(
                  face.x() * side - AROUND,
                  face.y() * side - AROUND,
                  face.width() * side,
                  face.height() * side),
              0.3,
              true));
    }
    looks = CoverLooks.of(film, CameraGrid.one(SIDE, SIDE), seen);
  }

  @Test
  void shutEyesHaveLessLightAndDark() {
    assertThat(looks.get(1).eyes()).isLessThan(looks.get(0).eyes() * 0.6);
  }

  @Test
  void whatIsOutOfFocusHasLessDetail() {
    assertThat(looks.get(2).detail()).isLessThan(looks.get(0).detail() / 2);
  }

  @Test
  void whatIsShakenMoves() {
    assertThat(looks.get(3).movement()).isGreaterThan(looks.get(0).movement() * 3 + 1);
  }

  @Test
  void theMomentWithNoneOfTheseIsProposedFirst() {
    assertThat(CoverPicker.best(looks, 1)).containsExactly(looks.get(0).face());
  }
}
