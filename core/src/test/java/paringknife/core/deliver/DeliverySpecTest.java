package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.deliver.cover.CoverSize;
import paringknife.core.deliver.post.Post;
import paringknife.core.frame.Shape;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.time.FrameRate;

class DeliverySpecTest {
  private static final DeliverySpec VERTICAL = DeliverySpecs.SHIPPED.byId("vertical-60");

  private static DeliverySpec with(Limit.Length length, Limit.Texts texts, Encoding encoding) {
    return new DeliverySpec(
        "own",
        "Own",
        VERTICAL.canvas(),
        true,
        length,
        VERTICAL.frames(),
        VERTICAL.loudness(),
        null,
        texts,
        null,
        encoding);
  }

  private static DeliverySpec noLargerThanTheRecording(
      Canvas canvas, CoverSize cover, Encoding encoding) {
    return new DeliverySpec(
        "own",
        "Own",
        canvas,
        false,
        VERTICAL.length(),
        VERTICAL.frames(),
        VERTICAL.loudness(),
        null,
        Limit.Texts.ANY,
        cover,
        encoding);
  }

  private static List<Check> before(DeliverySpec spec, double seconds, String text) {
    return spec.preflight(
        new Planned(
            Math.round(seconds * 1e6),
            List.of(),
            1080,
            new FrameRate(25, 1),
            text == null ? null : new Post(text, List.of())));
  }

  private static List<String> told(List<Check> checks, String subject) {
    return checks.stream()
        .filter(c -> c.subject().equals(subject))
        .map(c -> c.verdict() + " " + c.text())
        .toList();
  }

  /** ffmpeg's encoder of VC-3 refuses pictures under 256 x 120. */
  @ParameterizedTest
  @CsvSource({"VC3, 240, 240, 1", "VC3, 256, 120, 0", "H264, 64, 64, 0", "WAV, 64, 64, 0"})
  void whatNoEncoderTakesIsToldBefore(Codec codec, int width, int height, int told) {
    DeliverySpec spec =
        noLargerThanTheRecording(
            new Canvas(width, height, SafeArea.PLAIN),
            null,
            new Encoding(codec, 20, null, null, null, 192));
    assertThat(told(before(spec, 10, null), "codec")).hasSize(told);
  }

  /** Shortest and longest length, and the aim between. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "9.9 | FAILS 9.9 s is under the 10 s asked for",
        "10 | PASSES 10 s of 28 s",
        "29 | NOTE 29 s is within 2 s of the limit",
        "31 | FAILS 3 s over 28 s"
      })
  void lengthHasTwoEnds(double seconds, String told) {
    DeliverySpec spec =
        with(
            new Limit.Length(10_000_000, 30_000_000, 2_000_000),
            Limit.Texts.ANY,
            Encoding.H264_AAC);
    assertThat(told(before(spec, seconds, null), "length")).containsExactly(told);
  }

  /** 1 MB for a minute is 133 kbit/s: less than sound of 192 takes alone. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "H264 | 1000000 | FAILS at most 1.0 MB is not enough for the sound alone",
        "H264 | 4000000 | NOTE at most 4.0 MB leaves the picture 341 kbit/s, which will show",
        "H264 | 5000000 | NOTE at most 5.0 MB leaves the picture 475 kbit/s, which will show",
        "AV1 | 5000000 | PASSES at most 5.0 MB",
        "H264 | 30000000 | PASSES at most 30.0 MB",
        "MP3 | 200000 | FAILS at most 0.2 MB is not enough for the sound alone",
        "M4A | 1000000 | NOTE at most 1.0 MB leaves the sound 133 kbit/s, less than its 192",
        "M4A | 1500000 | PASSES at most 1.5 MB"
      })
  void aSizeLimitSaysBeforeWhatItLeaves(Codec codec, long most, String told) {
    DeliverySpec spec =
        with(VERTICAL.length(), Limit.Texts.ANY, new Encoding(codec, 20, null, most, null, 192));
    assertThat(told(before(spec, 60, null), "file size")).containsExactly(told);
  }

  @ParameterizedTest
  @EnumSource(
      value = Codec.class,
      names = {"VC3", "WAV"})
  void whatIsAsLargeAsItIsHasNoSizeLimit(Codec codec) {
    assertThatThrownBy(() -> new Encoding(codec, 20, null, 4_000_000L, null, 192))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("leave the size free");
  }

  @Test
  void writtenTextsAreHeldAgainstTheirLimits() {
    DeliverySpec spec = with(VERTICAL.length(), new Limit.Texts(100, 20, 3), Encoding.H264_AAC);
    assertThat(told(before(spec, 30, null), "text")).as("as proposed").isEmpty();
    assertThat(told(before(spec, 30, "Short enough."), "text")).isEmpty();
    assertThat(told(before(spec, 30, "Rather more than twenty letters."), "text"))
        .containsExactly("NOTE shortened from 32 to 20 characters");
    assertThat(told(before(spec, 30, ""), "text")).containsExactly("NOTE there is no text to post");
  }

  @Test
  void aCoverIsAsLargeAsTheFilmOrAsItIsWanted() {
    assertThat(VERTICAL.ofCover()).isSameAs(VERTICAL);
    DeliverySpec wide =
        noLargerThanTheRecording(VERTICAL.canvas(), new CoverSize(1280, 720), Encoding.H264_AAC);
    assertThat(wide.ofCover().shape()).isEqualTo(new Shape(16, 9));
    assertThat(wide.ofCover().within(300).canvas().height()).isEqualTo(720);
    assertThat(wide.makes()).as("the film").isEqualTo(VERTICAL.makes());
    for (int[] size : new int[][] {{63, 64}, {64, 4097}, {0, 0}, {-1, 5}, {64, 257}}) {
      assertThatThrownBy(() -> new CoverSize(size[0], size[1]))
          .isInstanceOf(IllegalArgumentException.class);
    }
  }

  @Test
  void aFileIsNoLargerThanTheRecordingUnlessAsked() {
    DeliverySpec still = noLargerThanTheRecording(VERTICAL.canvas(), null, Encoding.H264_AAC);
    assertThat(VERTICAL.within(1080).canvas().height()).isEqualTo(1920);
    assertThat(still.within(1080).canvas()).isEqualTo(new Canvas(608, 1080, SafeArea.VERTICAL));
    assertThat(still.within(2160).canvas().height()).isEqualTo(1920);
    assertThat(still.within(0).canvas().height()).as("no picture").isEqualTo(1920);
    assertThat(still.within(20).canvas().width()).as("what can be encoded").isEqualTo(64);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "Upper", "a b", "a--b", "../x", "kept-one", "kept-each-12", "con"})
  void idsAreSafeAndTheirOwn(String id) {
    assertThatThrownBy(() -> VERTICAL.named(id, "Own"))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @CsvSource({"63, 100", "1080, 1921", "4098, 4098", "64, 4096", "-2, 1080"})
  void picturesThatCannotBeAreRefused(int width, int height) {
    assertThatThrownBy(
            () -> DeliverySpec.of("own", "Own", width, height, 60_000_000, SafeArea.PLAIN))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void whatCannotBeEncodedIsRefused() {
    assertThatThrownBy(() -> new Encoding(Codec.H264, 52, null, null, null, 128))
        .hasMessageContaining("0 to 51");
    assertThatThrownBy(() -> new Encoding(Codec.H264, 20, null, null, Double.NaN, 128))
        .hasMessageContaining("0.1 to 60");
    assertThatThrownBy(() -> new Limit.Length(59_000_000, 60_000_000, 2_000_000))
        .hasMessageContaining("shortest");
    assertThatThrownBy(() -> new SafeArea(Double.NaN, 0, 0, 0)).hasMessageContaining("45 %");
  }
}
