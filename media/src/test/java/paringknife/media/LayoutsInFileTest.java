package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
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
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.LaidPicture;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/** Layouts and looks in finished files, held against ffmpeg's own filters on the same recording. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class LayoutsInFileTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final int FRAMES = 25;
  private static final Encoding FINE = Encoding.h264(4);
  private static final Place UPPER = new Place(0, 0, 1, 0.5);
  private static final Place LOWER = new Place(0, 0.5, 1, 0.5);

  private Path folder;
  private Path film;
  private Recording recording;

  @BeforeAll
  void film(@TempDir Path temporary) {
    folder = temporary;
    film = folder.resolve("chart.mkv");
    run(
        List.of(
            "-f",
            "lavfi",
            "-i",
            "testsrc2=s=640x360:r=25:d=1,format=yuv420p",
            "-f",
            "lavfi",
            "-i",
            "sine=f=300:r=48000:d=1",
            "-c:v",
            "ffv1",
            "-c:a",
            "flac",
            "-colorspace",
            "bt709",
            "-color_range",
            "tv",
            film.toString()));
    recording = Probe.of(film);
  }

  private static String run(List<String> arguments) {
    List<String> all =
        new java.util.ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-hide_banner"));
    all.addAll(arguments);
    return ChildProcess.run(all, null, Duration.ofMinutes(2)).errors();
  }

  private static FramePath.Pane pane(Place place, Window window) {
    return new FramePath.Pane(place, -1, List.of(window));
  }

  private Path rendered(String name, Ground ground, Look look, FramePath.Pane... panes) {
    return rendered(name, ground, look, null, panes);
  }

  private Path rendered(
      String name, Ground ground, Look look, @Nullable LaidPicture laid, FramePath.Pane... panes) {
    Path file = folder.resolve(name + ".mp4");
    CutList cuts = new CutList(List.of(new Span(0, FRAMES * 40_000L)), List.of());
    FramePath path =
        new FramePath(
            List.of(new FramePath.Segment(0, FRAMES, List.of(panes), ground, FramePath.BY_ITSELF)));
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                Cameras.of(recording),
                SoundFile.of(film),
                SoundPlan.of(cuts.kept()),
                PictureRun.of(cuts, RATE),
                path,
                null,
                look,
                laid,
                "",
                360,
                640,
                RATE,
                null,
                1,
                FINE),
            file,
            share -> {});
    return file;
  }

  /**
   * How alike a file and what ffmpeg's filters make of the recording are (SSIM, Wang and others
   * 2004).
   */
  private double alike(Path file, String filters) {
    return measured(file, filters, "null", "ssim", "All");
  }

  /** How far above their difference the two are within a part of the picture, dB (PSNR). */
  private double near(Path file, String filters, String part) {
    return measured(file, filters, part, "psnr", "average");
  }

  private double measured(Path file, String filters, String part, String measure, String told) {
    String said =
        run(
            List.of(
                "-i",
                file.toString(),
                "-i",
                film.toString(),
                "-filter_complex",
                filters.replace("[in]", "[1:v]")
                    + ","
                    + part
                    + "[reference];[0:v]"
                    + part
                    + "[made];[made][reference]"
                    + measure,
                "-f",
                "null",
                "-"));
    Matcher found = Pattern.compile(told + ":([0-9.]+)").matcher(said);
    assertThat(found.find()).as(said).isTrue();
    return Double.parseDouble(found.group(1));
  }

  @Test
  void twoPanesAreTheTwoPartsOneUponTheOther() {
    Path file =
        rendered(
            "stacked",
            Ground.DARK,
            Look.AS_RECORDED,
            pane(UPPER, new Window(40, 20, 225, 200)),
            pane(LOWER, new Window(300, 100, 270, 240)));
    String reference =
        "[in]split[a][b];[a]crop=225:200:40:20:exact=1,scale=360:320:flags=bicubic[u];"
            + "[b]crop=270:240:300:100,scale=360:320:flags=bicubic[l];[u][l]vstack";
    assertThat(alike(file, reference)).isGreaterThan(0.98);
    String exchanged = reference.replace("[u][l]vstack", "[l][u]vstack");
    assertThat(alike(file, exchanged)).as("the measure tells them apart").isLessThan(0.6);
  }

  @Test
  void theWholePictureLiesOnItselfMadeSoft() {
    double high = 360 / 640.0 * 360 / 640;
    Path file =
        rendered(
            "whole",
            Ground.SOFT,
            Look.AS_RECORDED,
            pane(new Place(0, (1 - high) / 2, 1, high), new Window(0, 0, 640, 360)));
    String ground =
        "[in]split[a][b];[a]crop=202.5:360:218.75:0:exact=1,scale=432:768,crop=360:640,"
            + "gblur=sigma=9.6[g];";
    String whole = "[b]scale=360:202:flags=bicubic[w];[g][w]overlay=0:219";
    assertThat(alike(file, ground + whole)).isGreaterThan(0.97);
    assertThat(alike(file, "[in]scale=360:202:flags=bicubic,pad=360:640:0:219"))
        .as("the ground is not black")
        .isLessThan(0.8);
  }

  @Test
  void aPlainGroundIsItsTone() {
    Path file =
        rendered(
            "plain",
            Ground.LIGHT,
            Look.AS_RECORDED,
            pane(new Place(0, 0.25, 1, 0.5), new Window(100, 20, 360, 320)));
    assertThat(alike(file, "[in]crop=360:320:100:20,pad=360:640:0:160:color=0xF4F4F4"))
        .isGreaterThan(0.98);
  }

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
    Path held = rendered("laid", Ground.DARK, Look.AS_RECORDED, laid, pane(Place.WHOLE, whole));
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
            Look.AS_RECORDED,
            laid,
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
