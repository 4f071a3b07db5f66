package paringknife.media.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.text.SeenText;
import paringknife.core.frame.text.TextBox;
import paringknife.media.process.ChildProcess;

/** Made films whose text is known; what is found is read by tesseract. */
class TextWatcherTest {
  private static final int WIDTH = 640;
  private static final int HEIGHT = 360;

  @TempDir Path folder;

  private static void run(String... command) {
    ChildProcess.run(List.of(command), null, Duration.ofMinutes(1));
  }

  /** Looks through ten seconds of something that ffmpeg makes. */
  private List<SeenText> seenIn(String made, String drawn, Face... found) throws IOException {
    List<Face> faces = List.of(found);
    Path raw = folder.resolve("film.rgb");
    run(
        "ffmpeg",
        "-nostdin",
        "-v",
        "error",
        "-y",
        "-f",
        "lavfi",
        "-i",
        made,
        "-t",
        "10",
        "-vf",
        (drawn.isEmpty() ? "" : drawn + ",") + "fps=1:start_time=0,scale=640:360:flags=area",
        "-f",
        "rawvideo",
        "-pix_fmt",
        "rgb24",
        raw.toString());
    byte[] all = Files.readAllBytes(raw);
    int size = WIDTH * HEIGHT * 3;
    try (TextWatcher watcher = new TextWatcher(WIDTH, HEIGHT)) {
      for (int n = 0; (n + 1) * size <= all.length; n++) {
        watcher.watch(
            n * TextWatcher.EVERY_US, Arrays.copyOfRange(all, n * size, (n + 1) * size), faces);
      }
      return watcher.end();
    }
  }

  private String read(String made, String drawn, TextBox box) throws IOException {
    Path line = folder.resolve("line.png");
    run(
        "ffmpeg",
        "-nostdin",
        "-v",
        "error",
        "-y",
        "-f",
        "lavfi",
        "-i",
        made,
        "-vf",
        drawn
            + ",crop=iw*%f:ih*%f:iw*%f:ih*%f"
                .formatted(box.width(), box.height(), box.x(), box.y()),
        "-ss",
        "5",
        "-frames:v",
        "1",
        line.toString());
    Path text = folder.resolve("line");
    run("tesseract", line.toString(), text.toString(), "--psm", "7");
    return Files.readString(folder.resolve("line.txt")).strip();
  }

  private static String text(String text, String where) {
    return "drawtext=text='" + text + "':font=DejaVu Sans:fontcolor=white:" + where;
  }

  @Test
  void aNameBannerIsFoundForAsLongAsItStands() throws IOException {
    String film = "mandelbrot=s=1280x720:r=2";
    String banner =
        text("Ada Winter", "fontsize=48:box=1:boxcolor=navy:boxborderw=14:x=90:y=560")
            + ":enable='between(t,2,6.5)'";
    List<SeenText> seen = seenIn(film, banner);
    assertThat(seen).hasSize(1);
    assertThat(seen.get(0).fromUs()).isEqualTo(2_000_000);
    assertThat(seen.get(0).untilUs()).isEqualTo(7_000_000);
    TextBox box = seen.get(0).box();
    assertThat(box.x()).isCloseTo(90 / 1280.0, within(0.02));
    assertThat(box.y()).isCloseTo(560 / 720.0, within(0.03));
    assertThat(read(film, banner, box)).contains("Ada Winter");
  }

  /** A slide: several lines, one of them small, on a plain ground. */
  @Test
  void linesOfASlideAreFoundEach() throws IOException {
    String slide =
        text("What holds a rope", "fontsize=64:x=200:y=120")
            + ","
            + text("and what does not", "fontsize=40:x=200:y=300")
            + ","
            + text("page 7 of 12", "fontsize=26:x=1000:y=660");
    List<SeenText> seen = seenIn("color=0x203040:s=1280x720:r=2", slide);
    assertThat(seen).hasSize(3);
    StringBuilder all = new StringBuilder();
    for (SeenText line : seen) {
      assertThat(line.fromUs()).isZero();
      assertThat(line.untilUs()).isEqualTo(10_000_000);
      all.append(read("color=0x203040:s=1280x720:r=2", slide, line.box())).append('\n');
    }
    assertThat(all.toString()).contains("What holds a rope", "and what does not", "page 7 of 12");
  }

  /** Stripes, noise, a fractal, a pattern like a shelf of books: full of edges, and no text. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "mandelbrot=s=1280x720:r=2",
        "cellauto=s=1280x720:r=2:rule=110",
        "color=gray:s=1280x720:r=2,noise=alls=60",
        "nullsrc=s=640x360:r=1,geq=lum='if(lt(mod(X,14),7),40,210)':cb=128:cr=128",
        "nullsrc=s=640x360:r=1,geq=lum='if(lt(mod(Y,60),8),20,60+9*mod(floor(X/15)*7,19))':cb=120:cr=136"
      })
  void whatIsNoTextIsNone(String film) throws IOException {
    assertThat(seenIn(film, "")).isEmpty();
  }

  @Test
  void whatIsOnAFaceIsNoText() throws IOException {
    String banner = text("Ada Winter", "fontsize=48:x=90:y=560");
    assertThat(seenIn("color=0x203040:s=1280x720:r=2", banner)).hasSize(1);
    assertThat(seenIn("color=0x203040:s=1280x720:r=2", banner, new Face(0.05, 0.7, 0.3, 0.25, 0)))
        .isEmpty();
  }

  @Test
  void textThatPassesByIsNotText() throws IOException {
    assertThat(
            seenIn(
                "color=0x203040:s=1280x720:r=2",
                text("credits that run by", "fontsize=44:x=1280-t*320:y=500")))
        .isEmpty();
  }
}
