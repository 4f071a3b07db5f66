package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Place;
import paringknife.core.frame.Window;
import paringknife.core.frame.colour.Look;
import paringknife.media.ffmpeg.LaidPicture;
import paringknife.media.process.ChildProcess;

/** Logos and looks in finished files. */
class LooksInFileTest extends FilmedChart {
  /** ffmpeg's drawbox mixes a colour with the picture by itself; so does a logo of that colour. */
  @Test
  void aLogoLiesInItsPlaceAndThePictureShinesThrough() {
    Path logo = folder.resolve("logo.png");
    run(
        List.of(
            "-f",
            "lavfi",
            "-i",
            "color=white:s=40x20:d=1,format=rgba",
            "-frames:v",
            "1",
            logo.toString()));
    Window whole = new Window(0, 0, 202.5, 360);
    LaidPicture laid = new LaidPicture(logo, 30, 500, 120, 60, 0.5);
    Path held = rendered("laid", Ground.DARK, Besides.laid(laid), pane(Place.WHOLE, whole));
    String box = ",drawbox=30:500:120:60:color=white@0.5:t=fill";
    String around = "crop=140:80:20:490";
    String reference = "[in]crop=202.5:360:0:0:exact=1,scale=360:640:flags=bicubic";
    assertThat(alike(held, reference + box)).isGreaterThan(0.98);
    assertThat(near(held, reference + box, around)).isGreaterThan(23);
    assertThat(near(held, reference, around)).as("it is there").isLessThan(14);
    Path moving =
        rendered(
            "laid-moving",
            Ground.DARK,
            Besides.laid(laid),
            pane(UPPER, new Window(40, 20, 225, 200)),
            pane(LOWER, new Window(300, 100, 270, 240)));
    String stacked =
        "[in]split[a][b];[a]crop=225:200:40:20:exact=1,scale=360:320:flags=bicubic[u];"
            + "[b]crop=270:240:300:100,scale=360:320:flags=bicubic[l];[u][l]vstack";
    assertThat(near(moving, stacked + box, around)).isGreaterThan(23);
  }

  /** A grey and a colour worked out by hand in BT.709's luma and chroma (Rec. ITU-R BT.709). */
  @Test
  void aLookChangesLumaAndChromaAsItSays() {
    Window window = new Window(0, 0, 202.5, 360);
    Look look = new Look(0.1, 1.2, 0.5, 0.05, false);
    Path plain = rendered("as-recorded", Ground.DARK, Look.AS_RECORDED, pane(Place.WHOLE, window));
    Path changed = rendered("changed", Ground.DARK, look, pane(Place.WHOLE, window));
    byte[] before = firstPicture(plain);
    byte[] after = firstPicture(changed);
    int chroma = 360 * 640;
    int quarter = chroma / 4;
    assertThat(mean(after, 0, chroma))
        .isCloseTo(
            mean(before, 0, chroma, v -> Math.min(235, 1.2 * (v - 125.5) + 125.5 + 21.9)),
            within(1.0));
    assertThat(mean(after, chroma, quarter))
        .isCloseTo(mean(before, chroma, quarter, v -> 0.5 * (v - 128) + 128 - 11.2), within(1.0));
    assertThat(mean(after, chroma + quarter, quarter))
        .isCloseTo(
            mean(before, chroma + quarter, quarter, v -> 0.5 * (v - 128) + 128 + 11.2),
            within(1.0));
  }

  @Test
  void mirroredIsMirrored() {
    Path file =
        rendered(
            "mirrored",
            Ground.DARK,
            new Look(0, 1, 1, 0, true),
            pane(Place.WHOLE, new Window(100, 0, 202.5, 360)));
    assertThat(alike(file, "[in]crop=202.5:360:100:0:exact=1,scale=360:640:flags=bicubic,hflip"))
        .isGreaterThan(0.98);
  }

  private byte[] firstPicture(Path file) {
    return ChildProcess.run(
            List.of(
                "ffmpeg",
                "-nostdin",
                "-v",
                "error",
                "-i",
                file.toString(),
                "-frames:v",
                "1",
                "-pix_fmt",
                "yuv420p",
                "-f",
                "rawvideo",
                "pipe:1"),
            null,
            Duration.ofMinutes(1))
        .output();
  }

  private static double mean(byte[] plane, int from, int count) {
    return mean(plane, from, count, v -> v);
  }

  private static double mean(
      byte[] plane, int from, int count, java.util.function.DoubleUnaryOperator changed) {
    double sum = 0;
    for (int i = from; i < from + count; i++) {
      sum += Math.max(16, Math.min(240, changed.applyAsDouble(plane[i] & 0xff)));
    }
    return sum / count;
  }
}
