package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Codec;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
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
import paringknife.media.store.CaptionFonts;

/** Every way of encoding, read back by ffprobe. */
class EncodingsTest {
  private static final FrameRate RATE = new FrameRate(25, 1);

  @TempDir static Path folder;
  private static Recording recording;
  private static Path sound;

  @BeforeAll
  static void record() {
    recording = Probe.of(SampleMedia.recording(folder.resolve("camera.mp4"), "320x180", "25", 8));
    sound = SampleMedia.takenIn(recording);
  }

  private static Path rendered(Encoding encoding, String name) {
    return rendered(encoding, name, 320, 180);
  }

  private static Path rendered(Encoding encoding, String name, int width, int height) {
    CutList cuts =
        new CutList(
            List.of(new Span(1_000_000, 4_000_000), new Span(5_000_000, 7_000_000)), List.of());
    List<PictureRun> runs = PictureRun.of(cuts, RATE);
    Path file = folder.resolve(name + "." + encoding.codec().extension());
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                Cameras.of(recording),
                SoundFile.of(sound),
                SoundPlan.of(cuts.kept()),
                runs,
                FramePath.whole(320, 180, PictureRun.total(runs)),
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                width,
                height,
                RATE,
                new LoudnessTarget(-16, -1),
                1,
                encoding),
            file,
            new OnlyForward());
    return file;
  }

  /** What is told of how far it is never goes back. */
  private static final class OnlyForward implements DoubleConsumer {
    private double before;

    @Override
    public void accept(double share) {
      assertThat(share).isBetween(before, 1.0);
      before = share;
    }
  }

  private static String codecs(Path file) {
    return probed(file, "stream=codec_name").replace('\n', ' ').strip();
  }

  private static String probed(Path file, String entries, String... more) {
    List<String> command = new ArrayList<>(List.of("ffprobe", "-v", "error"));
    command.addAll(List.of(more));
    command.addAll(List.of("-show_entries", entries, "-of", "csv=p=0", file.toString()));
    return ChildProcess.run(command, null, Duration.ofMinutes(1)).text();
  }

  private static String written(Codec codec) {
    return switch (codec) {
      case H264 -> "h264 aac";
      case HEVC -> "hevc aac";
      case VP9 -> "vp9 opus";
      case AV1 -> "av1 aac";
      case VC3 -> "dnxhd pcm_s16le";
      case MP3 -> "mp3";
      case M4A -> "aac";
      case WAV -> "pcm_s16le";
    };
  }

  @ParameterizedTest
  @EnumSource(Codec.class)
  void everyCodecMakesAWholeFileOfItsKind(Codec codec) {
    Path file =
        rendered(new Encoding(codec, 30, null, null, null, 128), "codec-" + codec, 256, 144);
    assertThat(codecs(file)).isEqualTo(written(codec));
    Measurement measured = Measurement.of(file);
    assertThat(measured.seconds()).isCloseTo(5, within(0.1));
    assertThat(measured.lufs()).isCloseTo(-16, within(0.7));
    assertThat(measured.lookedThrough(List.of(), List.of()).checks())
        .noneMatch(c -> c.verdict() == Check.Verdict.FAILS);
    if (codec.hasPicture()) {
      assertThat(measured.width()).isEqualTo(256);
      assertThat(measured.height()).isEqualTo(144);
      assertThat(probed(file, "stream=nb_read_frames", "-count_frames", "-select_streams", "v:0"))
          .isEqualToIgnoringWhitespace("125");
    }
  }

  /** The ends of what a spec may ask for: quality, or a bit rate, and whole frames. */
  @ParameterizedTest
  @CsvSource({
    "H264, 0, , 0.1, 32",
    "H264, 51, , 60, 320",
    "H264, 0, 400000, 0.1, 320",
    "HEVC, 0, , 0.1, 32",
    "HEVC, 51, 50, 60, 320",
    "HEVC, 0, 400000, 60, 320",
    "VP9, 0, , 0.1, 32",
    "VP9, 63, , 60, 320",
    "VP9, 0, 400000, 60, 320",
    "AV1, 0, , 0.1, 32",
    "AV1, 63, 50, 60, 320",
    "AV1, 0, 400000, 60, 320"
  })
  void theEndsOfWhatIsAskedForPlay(
      Codec codec, int crf, Integer pictureKbps, double keyframeSeconds, int soundKbps) {
    Encoding encoding = new Encoding(codec, crf, pictureKbps, null, keyframeSeconds, soundKbps);
    Path file = rendered(encoding, "end-" + encoding.hashCode(), 128, 72);
    assertThat(Measurement.of(file).lookedThrough(List.of(), List.of()).checks())
        .noneMatch(c -> c.verdict() == Check.Verdict.FAILS);
  }

  /** Within two per cent under the limit, whatever the codec. */
  @ParameterizedTest
  @CsvSource({
    "H264, 110000",
    "H264, 250000",
    "HEVC, 160000",
    "VP9, 160000",
    "AV1, 160000",
    "M4A, 110000"
  })
  void aSizeLimitIsKeptAndUsed(Codec codec, long most) throws Exception {
    int soundKbps = codec.hasPicture() ? 64 : 320;
    Path free = rendered(new Encoding(codec, 1, null, null, null, soundKbps), "free-" + codec);
    assertThat(Files.size(free)).as("the same without a limit").isGreaterThan(most * 5 / 4);
    Encoding limited = new Encoding(codec, 1, null, most, null, soundKbps);
    Path held = rendered(limited, "held-" + codec + most);
    assertThat(Files.size(held)).isBetween(Math.round(most * 0.98), most);
    assertThat(codecs(held)).isEqualTo(written(codec));
  }

  /** MP3 has so many bit rates and none between them (ISO/IEC 11172-3, 2.4.2.3). */
  @Test
  void aSizeLimitOfMp3IsKept() throws Exception {
    Path held = rendered(new Encoding(Codec.MP3, 0, null, 100_000L, null, 320), "held-mp3");
    assertThat(Files.size(held)).isBetween(80_000L, 100_000L);
  }

  @Test
  void whatFitsAnywayIsAsWithoutALimit() throws Exception {
    Path free = rendered(Encoding.h264(35), "small");
    Path held = rendered(new Encoding(Codec.H264, 35, null, 90_000_000L, null, 192), "roomy");
    assertThat(Files.size(held)).isCloseTo(Files.size(free), within(Files.size(free) / 10));
  }

  @Test
  void wholeFramesComeAsOftenAsAskedFor() {
    Path file = rendered(new Encoding(Codec.H264, 28, null, null, 0.4, 128), "keyframes");
    String[] flags = probed(file, "packet=flags", "-select_streams", "v:0").strip().split("\\s+");
    int since = 0;
    for (String flag : flags) {
      since = flag.startsWith("K") ? 0 : since + 1;
      assertThat(since).isLessThan(10);
    }
  }
}
