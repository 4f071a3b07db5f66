package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
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
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.EvenedLook;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.colour.SeenColours;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.Placement;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.ColourReading;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * Two cameras of one event, of which the second is flat, dark and warm: the same picture altered by
 * ffmpeg in a known way.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MatchedColoursTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final Placement SAME_TIME = new Placement(0, 0, 1);
  private static final int SECONDS = 4;
  private static final int WIDE = 64;
  private static final int HIGH = 36;

  private static final String ALTERED =
      "format=gbrp,lutrgb=r=val*0.72+24:g=val*0.66+14:b=val*0.55+6";

  private Path folder;
  private Cameras cameras;
  private List<SeenColours> seen;

  /** Colours as rooms and faces have them, not those of a test card. */
  private static final String NATURAL =
      "c0=0x6b5a48:c1=0xd8b39a:c2=0x3d4a5c:c3=0xe9e2d5:c4=0x7d8a66:c5=0x2a2320:c6=0xa8705a:c7=0xb9c4cf";

  @BeforeAll
  void film(@TempDir Path temporary) throws IOException {
    folder = temporary;
    Path first = folder.resolve("first.mp4");
    encode(
        first,
        "null",
        "-f",
        "lavfi",
        "-i",
        "gradients=s=640x360:n=8:r=25:duration=" + SECONDS + ":" + NATURAL,
        "-f",
        "lavfi",
        "-i",
        "sine=f=330:duration=" + SECONDS);
    Path second = folder.resolve("second.mp4");
    encode(second, ALTERED, "-i", first.toString());
    cameras = Cameras.of(Probe.of(first), List.of(new HeardSound(Probe.of(second), SAME_TIME)));
    Path proxy = folder.resolve("proxy.mp4");
    new Ingest(cameras, List.of(), proxy, folder.resolve("sound.flac")).run(share -> {});
    seen = new ColourReading(proxy, cameras.grid()).at(List.of(500_000L, 2_000_000L, 3_500_000L));
  }

  private static void encode(Path file, String filters, String... inputs) {
    List<String> arguments = new ArrayList<>(List.of(inputs));
    arguments.addAll(List.of("-vf", filters + ",scale=out_color_matrix=bt709,format=yuv420p"));
    arguments.addAll(List.of("-colorspace", "bt709", "-preset", "ultrafast", "-crf", "10"));
    arguments.addAll(List.of("-shortest", file.toString()));
    SampleMedia.ffmpeg(arguments.toArray(String[]::new));
  }

  /** A moment of a film, small, as bytes of red, green and blue. */
  private static byte[] picture(Path film) {
    return ChildProcess.run(
            List.of(
                "ffmpeg",
                "-v",
                "error",
                "-ss",
                "1",
                "-i",
                film.toString(),
                "-frames:v",
                "1",
                "-vf",
                "scale=" + WIDE + ":" + HIGH + ":flags=area,format=rgb24",
                "-f",
                "rawvideo",
                "-"),
            null,
            Duration.ofSeconds(30))
        .output();
  }

  private static double apart(byte[] one, byte[] other) {
    assertThat(one).hasSize(WIDE * HIGH * 3).hasSameSizeAs(other);
    double sum = 0;
    for (int i = 0; i < one.length; i++) {
      sum += Math.abs((one[i] & 255) - (other[i] & 255));
    }
    return sum / one.length;
  }

  /** The second camera alone, in a held frame or a moving one. */
  private Path rendered(CameraColours colours, Window... windows) {
    Path file = folder.resolve("out.mp4");
    Span all = new Span(0, 2_000_000);
    FramePath.Segment shown =
        new FramePath.Segment(
            0,
            50,
            List.of(new FramePath.Pane(Place.WHOLE, -1, List.of(windows))),
            Ground.DARK,
            FramePath.BY_ITSELF);
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                cameras.with(colours),
                SoundFile.of(folder.resolve("sound.flac")),
                SoundPlan.of(List.of(all)),
                PictureRun.of(new CutList(List.of(all), List.of()), RATE),
                new FramePath(List.of(shown)),
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                640,
                360,
                RATE,
                null,
                1,
                Encoding.H264_AAC),
            file,
            share -> {});
    return file;
  }

  /** How far the second camera's picture is from the first's, of 255, in windows of it. */
  private double apartFromTheFirst(CameraColours colours, Window... windows) {
    return apart(picture(folder.resolve("first.mp4")), picture(rendered(colours, windows)));
  }

  @Test
  void theSecondCameraLooksLikeTheFirst() {
    CameraGrid.Cell cell = cameras.grid().cells().get(1);
    Window whole = new Window(cell.x(), cell.y(), cell.width(), cell.height());
    double before = apartFromTheFirst(CameraColours.AS_RECORDED, whole);
    double after = apartFromTheFirst(CameraColours.to(0, seen), whole);
    assertThat(before).isGreaterThan(20);
    assertThat(after).as("of 255, %.1f before", before).isLessThan(before / 6);
    // What comes out of a moving window goes another way through ffmpeg.
    Window[] moving = new Window[50];
    Arrays.fill(moving, whole);
    moving[49] = new Window(cell.x() + 1, cell.y(), cell.width() - 2, cell.height() - 1);
    assertThat(apartFromTheFirst(CameraColours.to(0, seen), moving)).isLessThan(before / 6);
  }

  /** What is dark and warm becomes brighter and cooler than what is neither. */
  @Test
  void aLookIsEvened() {
    Look flat = EvenedLook.of(seen.get(1), false);
    Look even = EvenedLook.of(seen.get(0), true);
    assertThat(flat.brightness()).isGreaterThan(even.brightness() + 0.05);
    assertThat(flat.warmth()).isLessThan(even.warmth() - 0.01);
    assertThat(even.mirrored()).isTrue();
  }
}
