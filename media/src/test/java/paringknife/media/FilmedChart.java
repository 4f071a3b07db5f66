package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeAll;
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
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Behind;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.LaidPicture;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * A test chart as a film, rendered in some way, and held against what ffmpeg's own filters make.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class FilmedChart {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final int FRAMES = 25;
  private static final Encoding FINE = Encoding.h264(4);
  static final Place UPPER = new Place(0, 0, 1, 0.5);
  static final Place LOWER = new Place(0, 0.5, 1, 0.5);

  Path folder;
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

  static String run(List<String> arguments) {
    List<String> all =
        new java.util.ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-hide_banner"));
    all.addAll(arguments);
    return ChildProcess.run(all, null, Duration.ofMinutes(2)).errors();
  }

  static FramePath.Pane pane(Place place, Window window) {
    return new FramePath.Pane(place, -1, List.of(window));
  }

  Path rendered(String name, Ground ground, Look look, FramePath.Pane... panes) {
    return rendered(name, ground, new Besides(look, null, null, null), panes);
  }

  /** What is seen besides the panes. */
  record Besides(
      Look look, @Nullable LaidPicture laid, @Nullable Behind behind, @Nullable Path backdrop) {
    static Besides laid(LaidPicture laid) {
      return new Besides(Look.AS_RECORDED, laid, null, null);
    }
  }

  Path rendered(String name, Ground ground, Besides besides, FramePath.Pane... panes) {
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
                besides.behind(),
                besides.backdrop(),
                besides.look(),
                SmoothedSkin.NONE,
                besides.laid(),
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
  double alike(Path file, String filters) {
    return measured(file, filters, "null", "ssim", "All");
  }

  /** How far above their difference the two are within a part of the picture, dB (PSNR). */
  double near(Path file, String filters, String part) {
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
}
