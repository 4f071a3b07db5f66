package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Place;
import paringknife.core.frame.Window;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.SoundPlan;
import paringknife.core.pare.Pared;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * Windows that move, measured in the finished file: a soft bar that stands in the recording runs
 * through the picture against the window, and the middle of its brightness says where it is.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MovingWindowTest {
  private static final int FRAMES = 75;
  private static final double BAR = 320.5;
  private static final int WIDTH = 540;
  private static final int HEIGHT = 960;

  /** Nearly without loss, so that the path is measured and not the encoder. */
  private static final Encoding FINE = Encoding.h264(4);

  private Path file;
  private FramePath path;

  @BeforeAll
  void render(@TempDir Path folder) {
    Path film = folder.resolve("bar.mkv");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-i",
            "nullsrc=s=640x360:r=25:d=4,format=gray,"
                + "geq=lum='30+180*exp(-pow((X+0.5-"
                + BAR
                + ")/12,2))',format=yuv420p",
            "-f",
            "lavfi",
            "-i",
            "sine=f=300:r=48000:d=4",
            "-c:v",
            "ffv1",
            "-c:a",
            "flac",
            "-colorspace",
            "bt709",
            "-color_range",
            "tv",
            film.toString()),
        null,
        Duration.ofMinutes(2));
    Recording recording = Probe.of(film);
    Transcript nothing = new Transcript("en", List.of(), List.of());
    CutList cuts = Pared.of(List.of(new Span(0, FRAMES * 40_000L))).cuts(nothing);
    List<Window> windows = new ArrayList<>();
    for (int n = 0; n < FRAMES; n++) {
      double t = n / (double) FRAMES;
      windows.add(new Window(190 + 60 * t * t * (3 - 2 * t), 20.25, 180, 320));
    }
    path =
        new FramePath(
            List.of(
                new FramePath.Segment(
                    0,
                    windows.size(),
                    List.of(new FramePath.Pane(Place.WHOLE, 0, windows)),
                    Ground.DARK,
                    FramePath.BY_ITSELF)));
    file = folder.resolve("out.mp4");
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                Cameras.of(recording),
                SoundFile.of(film),
                SoundPlan.of(cuts.kept()),
                PictureRun.of(cuts, new FrameRate(25, 1)),
                path,
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                WIDTH,
                HEIGHT,
                new FrameRate(25, 1),
                null,
                1,
                FINE),
            file,
            share -> {});
  }

  @Test
  void thePictureFollowsThePathToATwentiethOfAPixel() throws Exception {
    double sum = 0;
    for (int n = 0; n < FRAMES; n += 3) {
      Window window = path.segments().get(0).at(n);
      double expected = (BAR - window.x()) * WIDTH / window.width();
      double off = (middleOfBar(n) - expected) * window.width() / WIDTH;
      sum += off * off;
    }
    assertThat(Math.sqrt(sum / (FRAMES / 3))).as("pixels of the recording, RMS").isLessThan(0.05);
  }

  @Test
  void itIsAsLongAsItsPath() {
    String counted =
        ChildProcess.run(
                List.of(
                    "ffprobe",
                    "-v",
                    "error",
                    "-select_streams",
                    "v:0",
                    "-count_packets",
                    "-show_entries",
                    "stream=nb_read_packets,width,height",
                    "-of",
                    "csv=p=0",
                    file.toString()),
                null,
                Duration.ofMinutes(1))
            .text()
            .strip();
    assertThat(counted).isEqualTo(WIDTH + "," + HEIGHT + "," + FRAMES);
  }

  private double middleOfBar(int frame) throws Exception {
    byte[] png =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-v",
                    "error",
                    "-i",
                    file.toString(),
                    "-vf",
                    "select='eq(n," + frame + ")',format=gray",
                    "-frames:v",
                    "1",
                    "-f",
                    "image2pipe",
                    "-c:v",
                    "png",
                    "pipe:1"),
                null,
                Duration.ofMinutes(1))
            .output();
    BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
    double weight = 0;
    double sum = 0;
    for (int y = HEIGHT / 4; y < HEIGHT * 3 / 4; y += 8) {
      for (int x = 0; x < WIDTH; x++) {
        double above = Math.max(0, image.getRaster().getSample(x, y, 0) - 40);
        weight += above;
        sum += above * (x + 0.5);
      }
    }
    return sum / weight;
  }
}
