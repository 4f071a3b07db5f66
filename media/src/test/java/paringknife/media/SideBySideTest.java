package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Codec;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Place;
import paringknife.core.frame.Window;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.ProcessFailed;
import paringknife.media.process.WorkBeside;
import paringknife.media.store.CaptionFonts;

/** Files of one clip that are made at once are those that are made one after the other. */
class SideBySideTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final List<PictureRun> RUNS = PictureRun.of(cuts(), RATE);

  @TempDir static Path folder;
  private static Recording recording;
  private static Path sound;
  private static Renderer renderer;

  @BeforeAll
  static void record() {
    recording = Probe.of(SampleMedia.recording(folder.resolve("camera.mp4"), "320x180", "25", 8));
    sound = SampleMedia.takenIn(recording);
    renderer = new Renderer(new CaptionFonts(folder.resolve("fonts")));
  }

  private static CutList cuts() {
    return new CutList(
        List.of(new Span(1_000_000, 3_000_000), new Span(5_000_000, 6_000_000)), List.of());
  }

  private static RenderOrder order(
      FramePath path, int width, int height, @Nullable LoudnessTarget loudness, Encoding encoding) {
    return order(recording, path, width, height, loudness, encoding);
  }

  private static RenderOrder order(
      Recording of,
      FramePath path,
      int width,
      int height,
      @Nullable LoudnessTarget loudness,
      Encoding encoding) {
    return new RenderOrder(
        Cameras.of(of),
        SoundFile.of(sound),
        SoundPlan.of(cuts().kept()),
        RUNS,
        path,
        null,
        null,
        Look.AS_RECORDED,
        SmoothedSkin.NONE,
        null,
        "",
        width,
        height,
        RATE,
        loudness,
        1,
        encoding);
  }

  /** A window that goes from left to right. */
  private static FramePath walking() {
    List<Window> windows = new ArrayList<>();
    for (int n = 0; n < PictureRun.total(RUNS); n++) {
      windows.add(new Window(20 + n, 0, 100, 180));
    }
    return new FramePath(
        List.of(
            new FramePath.Segment(
                0,
                windows.size(),
                List.of(new FramePath.Pane(Place.WHOLE, 0, windows)),
                Ground.DARK,
                FramePath.BY_ITSELF)));
  }

  private static final LoudnessTarget QUIET = new LoudnessTarget(-23, -1);
  private static final LoudnessTarget LOUD = new LoudnessTarget(-16, -1);

  private static List<RenderOrder> orders() {
    FramePath whole = FramePath.whole(320, 180, PictureRun.total(RUNS));
    Encoding other = new Encoding(Codec.VP9, 40, null, null, null, 96);
    Encoding small = new Encoding(Codec.H264, 23, null, 110_000L, null, 64);
    return List.of(
        order(walking(), 200, 360, LOUD, Encoding.H264_AAC),
        order(whole, 256, 144, LOUD, Encoding.H264_AAC),
        order(walking(), 60, 108, LOUD, Encoding.H264_AAC),
        order(whole, 256, 144, QUIET, Encoding.H264_AAC),
        order(whole, 256, 144, LOUD, other),
        order(whole, 256, 144, LOUD, small),
        order(whole, 256, 144, LOUD, new Encoding(Codec.MP3, 20, null, null, null, 96)));
  }

  private static List<Renderer.Wanted> into(String name, List<RenderOrder> orders)
      throws IOException {
    Path made = Files.createDirectories(folder.resolve(name));
    List<Renderer.Wanted> wanted = new ArrayList<>();
    for (RenderOrder order : orders) {
      String file = wanted.size() + "." + order.encoding().codec().extension();
      wanted.add(new Renderer.Wanted(order, made.resolve(file)));
    }
    return wanted;
  }

  /** What every packet of the picture holds. */
  private static String packets(Path file) {
    return ChildProcess.run(
            List.of(
                "ffmpeg",
                "-v",
                "error",
                "-i",
                file.toString(),
                "-map",
                "0:v?",
                "-map",
                "0:a",
                "-c",
                "copy",
                "-f",
                "framemd5",
                "-"),
            null,
            Duration.ofMinutes(1))
        .text();
  }

  @Test
  void theSamePicturesAndTheSameSoundComeOut() throws IOException {
    List<Renderer.Wanted> together = into("together", orders());
    List<Double> told = new ArrayList<>();
    renderer.renderTogether(together, told::add);
    assertThat(told).isNotEmpty().allMatch(s -> s >= 0 && s <= 1);
    for (Renderer.Wanted alone : into("alone", orders())) {
      renderer.render(alone.order(), alone.target(), share -> {});
      Path other = folder.resolve("together").resolve(alone.target().getFileName());
      assertThat(packets(other)).as(other.toString()).isEqualTo(packets(alone.target()));
    }
    assertThat(Measurement.of(together.get(1).target()).lufs()).isCloseTo(-16, within(0.7));
    assertThat(Measurement.of(together.get(3).target()).lufs()).isCloseTo(-23, within(0.7));
    assertThat(left(folder.resolve("together"))).hasSize(together.size());
  }

  private static List<Path> left(Path in) throws IOException {
    try (Stream<Path> files = Files.list(in)) {
      return files.toList();
    }
  }

  /** Whose windows are larger than its file takes smaller pictures out of the same decode. */
  @Test
  void whatIsSeenSmallerIsDecodedWithTheRest() throws IOException {
    FramePath whole = FramePath.whole(320, 180, PictureRun.total(RUNS));
    List<Renderer.Wanted> wanted =
        into(
            "smaller",
            List.of(
                order(walking(), 60, 108, LOUD, Encoding.H264_AAC),
                order(walking(), 80, 144, LOUD, Encoding.H264_AAC),
                order(whole, 256, 144, LOUD, Encoding.H264_AAC)));
    Set<Long> decoders = new HashSet<>();
    try (WorkBeside beside = new WorkBeside("renders", 1)) {
      Future<?> made =
          beside.start(Executors.callable(() -> renderer.renderTogether(wanted, share -> {})));
      while (!made.isDone()) {
        decoders.addAll(decoders());
      }
      WorkBeside.outcome(made);
    }
    assertThat(decoders).hasSize(1);
  }

  /** Processes that read the recording to hand its pictures on. */
  private static List<Long> decoders() {
    return ProcessHandle.current()
        .descendants()
        .filter(
            p ->
                Arrays.stream(p.info().arguments().orElse(new String[0]))
                    .anyMatch(a -> a.endsWith("camera.mp4")))
        .map(ProcessHandle::pid)
        .toList();
  }

  /** Of an odd size there is half a sample of colour at the edge. */
  @Test
  void oddSizesComeOutTheSame() throws IOException {
    Path film = folder.resolve("odd.webm");
    SampleMedia.ffmpeg(
        "-i",
        recording.file().toString(),
        "-vf",
        "scale=321:181",
        "-c:v",
        "libvpx-vp9",
        "-b:v",
        "1M",
        "-deadline",
        "realtime",
        "-cpu-used",
        "8",
        "-c:a",
        "libopus",
        film.toString());
    Recording odd = Probe.of(film);
    FramePath whole = FramePath.whole(321, 181, PictureRun.total(RUNS));
    List<RenderOrder> orders =
        List.of(
            order(odd, whole, 256, 144, LOUD, Encoding.H264_AAC),
            order(odd, walking(), 60, 108, LOUD, Encoding.H264_AAC),
            order(odd, whole, 128, 72, LOUD, Encoding.H264_AAC));
    List<Renderer.Wanted> together = into("odd-together", orders);
    renderer.renderTogether(together, share -> {});
    List<Renderer.Wanted> alone = into("odd-alone", orders);
    for (int i = 0; i < orders.size(); i++) {
      renderer.render(orders.get(i), alone.get(i).target(), share -> {});
      assertThat(packets(together.get(i).target())).isEqualTo(packets(alone.get(i).target()));
    }
  }

  @Test
  void whoeverIsToldOfTheProgressEndsAll() throws IOException {
    List<Renderer.Wanted> wanted = into("ended", orders().subList(0, 4));
    assertThatThrownBy(
            () ->
                renderer.renderTogether(
                    wanted,
                    share -> {
                      throw new IllegalArgumentException("not wanted any more");
                    }))
        .hasMessage("not wanted any more");
    assertThat(left(folder.resolve("ended"))).isEmpty();
  }

  /** HEVC has no picture of this size. */
  @Test
  void whereOneFailsNoneIsThere() throws IOException {
    FramePath whole = FramePath.whole(320, 180, PictureRun.total(RUNS));
    Encoding other = new Encoding(Codec.HEVC, 40, null, null, null, 96);
    List<Renderer.Wanted> wanted =
        into(
            "failed",
            List.of(
                order(whole, 256, 144, LOUD, Encoding.H264_AAC), order(whole, 2, 2, LOUD, other)));
    assertThatThrownBy(() -> renderer.renderTogether(wanted, share -> {}))
        .isInstanceOf(ProcessFailed.class);
    assertThat(left(folder.resolve("failed"))).isEmpty();
  }
}
