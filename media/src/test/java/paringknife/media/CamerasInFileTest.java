package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.Placement;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.store.CaptionFonts;

/**
 * Two cameras of one event. The second has filmed the same in negative, began 1.2 s later, and its
 * clock ran 400 parts per million too slow, that is 8 frames an hour at 25 a second. Every picture
 * is another one, so that one frame off would show.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CamerasInFileTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final Placement LATER = new Placement(1_200_000, 400, 1);
  private static final int WIDTH = 640;
  private static final int HEIGHT = 360;

  /** The negative of the first camera's picture, as the second sees it. */
  private static final String NEGATIVE = "negate=components=y";

  private Path folder;
  private Path first;
  private Cameras cameras;
  private Path sound;

  @BeforeAll
  void film(@TempDir Path temporary) throws IOException {
    folder = temporary;
    first = SampleMedia.recording(folder.resolve("first.mp4"), "640x360", "25", 12);
    Path second = folder.resolve("second.mp4");
    SampleMedia.ffmpeg(
        "-i",
        first.toString(),
        "-vf",
        NEGATIVE + ",setpts=(PTS-1.2/TB)/1.0004,fps=25:start_time=0,crop=320:180:0:0",
        "-c:v",
        "libx264",
        "-preset",
        "ultrafast",
        "-crf",
        "12",
        "-colorspace",
        "bt709",
        "-an",
        second.toString());
    Recording other = Probe.of(second);
    cameras = Cameras.of(Probe.of(first), List.of(new HeardSound(other, LATER)));
    sound = folder.resolve("sound.flac");
  }

  private Ingest.Result takenIn() {
    return new Ingest(cameras, List.of(), folder.resolve("proxy.mp4"), sound).run(share -> {});
  }

  @Test
  void theProxyHasTheirPicturesSideBySideOnOneClock() {
    Ingest.Result result = takenIn();
    assertThat(result.shots()).hasSize(2);
    assertThat(result.faces()).hasSize(2);
    Path proxy = folder.resolve("proxy.mp4");
    Recording.Picture picture = Probe.of(proxy).picture();
    assertThat(picture.width()).isEqualTo(2 * WIDTH);
    assertThat(picture.height()).isEqualTo(HEIGHT);
    assertThat(Likeness.leastOf(List.of(proxy, first), compared("crop=640:360:0:0", "null", 0)))
        .isGreaterThan(0.9);
    String second = "crop=320:180:640:0";
    String negative = NEGATIVE + ",crop=320:180:0:0";
    assertThat(Likeness.leastOf(List.of(proxy, first), compared(second, negative, 0)))
        .isGreaterThan(0.9);
    assertThat(Likeness.leastOf(List.of(proxy, first), compared(second, negative, 1)))
        .as("one frame off")
        .isLessThan(0.9);
  }

  /** Both from 2 s on, when both run; the recording later by some frames. */
  private static String compared(String ours, String recording, int later) {
    return "[0:v]trim=start_frame=50:end_frame=280,setpts=N/25/TB,"
        + ours
        + "[a];[1:v]trim=start_frame="
        + (50 + later)
        + ":end_frame="
        + (280 + later)
        + ",setpts=N/25/TB,"
        + recording
        + "[b];[a][b]ssim=stats_file=-:shortest=1";
  }

  private static FramePath.Segment shown(long from, long count, Window window) {
    return new FramePath.Segment(
        from,
        count,
        List.of(new FramePath.Pane(Place.WHOLE, -1, List.of(window))),
        Ground.DARK,
        FramePath.BY_ITSELF);
  }

  /** Pieces far apart and near, and the camera changes within a piece as well. */
  @Test
  void theFileShowsTheFrameOfTheCameraThatIsOn() {
    takenIn();
    CutList cuts =
        new CutList(
            List.of(
                new Span(1_600_000, 3_600_000),
                new Span(4_000_000, 6_000_000),
                new Span(9_000_000, 11_000_000)),
            List.of());
    List<PictureRun> runs = PictureRun.of(cuts, RATE);
    CameraGrid grid = cameras.grid();
    Window one = new Window(0, 0, 320, 180);
    Window other = new Window(grid.cells().get(1).x(), grid.cells().get(1).y(), 320, 180);
    FramePath path =
        new FramePath(
            List.of(
                shown(0, 30, one),
                shown(30, 50, other),
                shown(80, 20, one),
                shown(100, 50, other)));
    Path ours = folder.resolve("ours.mp4");
    render(runs, path, ours);
    assertThat(Likeness.leastOf(List.of(ours, first), reference(0))).isGreaterThan(0.9);
    assertThat(Likeness.leastOf(List.of(ours, first), reference(1)))
        .as("one frame off")
        .isLessThan(0.9);
  }

  /** Before the second camera ran its first picture stands. */
  @Test
  void whereACameraDidNotRunNothingIsLate() {
    takenIn();
    List<PictureRun> runs =
        PictureRun.of(new CutList(List.of(new Span(0, 8_000_000)), List.of()), RATE);
    CameraGrid grid = cameras.grid();
    Window other = new Window(grid.cells().get(1).x(), grid.cells().get(1).y(), 320, 180);
    Path ours = folder.resolve("early.mp4");
    render(runs, new FramePath(List.of(shown(0, 200, other))), ours);
    String graph =
        "[0:v]trim=start_frame=50:end_frame=200,setpts=N/25/TB[a];"
            + "[1:v]trim=start_frame=50:end_frame=200,setpts=N/25/TB,"
            + NEGATIVE
            + ",crop=320:180:0:0[b];[a][b]ssim=stats_file=-:shortest=1";
    assertThat(Probe.of(ours).durationUs()).isBetween(7_960_000L, 8_040_000L);
    assertThat(Likeness.leastOf(List.of(ours, first), graph)).isGreaterThan(0.9);
  }

  /** The second camera ends at 12 s of the episode, where the first goes on. */
  @Test
  void whereACameraEndedItsLastPictureStandsAndNothingIsMissing() {
    takenIn();
    Path longer = SampleMedia.recording(folder.resolve("longer.mp4"), "640x360", "25", 16);
    Cameras goingOn =
        Cameras.of(
            Probe.of(longer), List.of(new HeardSound(cameras.all().get(1).recording(), LATER)));
    List<PictureRun> runs =
        PictureRun.of(new CutList(List.of(new Span(9_000_000, 15_000_000)), List.of()), RATE);
    CameraGrid grid = goingOn.grid();
    Window other = new Window(grid.cells().get(1).x(), grid.cells().get(1).y(), 320, 180);
    Path ours = folder.resolve("ended.mp4");
    render(goingOn, runs, new FramePath(List.of(shown(0, 150, other))), ours);
    assertThat(Probe.of(ours).durationUs()).isBetween(5_960_000L, 6_040_000L);
    String stands =
        "[0:v]split[x][y];[x]trim=start_frame=80:end_frame=149,setpts=N/25/TB[a];"
            + "[y]trim=start_frame=81:end_frame=150,setpts=N/25/TB[b];[a][b]ssim=stats_file=-";
    assertThat(Likeness.leastOf(List.of(ours), stands, 60)).isGreaterThan(0.98);
  }

  private void render(List<PictureRun> runs, FramePath path, Path target) {
    render(cameras, runs, path, target);
  }

  private void render(Cameras seen, List<PictureRun> runs, FramePath path, Path target) {
    List<Span> kept = new ArrayList<>();
    runs.forEach(
        r ->
            kept.add(
                new Span(
                    RATE.startUs(r.episodeFrame()), RATE.startUs(r.episodeFrame() + r.count()))));
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                seen,
                SoundFile.of(sound),
                SoundPlan.of(kept),
                runs,
                path,
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                320,
                180,
                RATE,
                null,
                1,
                Encoding.H264_AAC),
            target,
            share -> {});
  }

  /** The same put together from the first camera alone. */
  private static String reference(int later) {
    String[] parts = {
      part(40, 70, later, "null"),
      part(70, 90, later, NEGATIVE),
      part(100, 130, later, NEGATIVE),
      part(130, 150, later, "null"),
      part(225, 275, later, NEGATIVE)
    };
    StringBuilder graph = new StringBuilder("[1:v]split=5[s0][s1][s2][s3][s4];");
    StringBuilder joined = new StringBuilder();
    for (int p = 0; p < parts.length; p++) {
      graph.append("[s").append(p).append(']').append(parts[p]).append("[p").append(p).append("];");
      joined.append("[p").append(p).append(']');
    }
    return graph
        + joined.toString()
        + "concat=n=5[b];[0:v]setpts=N/25/TB[a];[a][b]ssim=stats_file=-:shortest=1";
  }

  private static String part(int from, int to, int later, String filter) {
    return "trim=start_frame="
        + (from + later)
        + ":end_frame="
        + (to + later)
        + ",setpts=N/25/TB,crop=320:180:0:0,"
        + filter;
  }
}
