package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WaiverTest {
  private static final Delivered CLIP = new Delivered("Ice", List.of("wide"));
  private static final Check TOO_LONG = Check.fails("length", "3 s over 58 s");

  private static Delivered let(Delivered clip, String spec, String subject, String note) {
    return new DeliverIntent.Waive(spec, subject, TOO_LONG.text(), note)
        .apply(clip, DeliverySpecs.SHIPPED);
  }

  @Test
  void whatIsLetPassSaysWhyAndFailsNoLonger() {
    Delivered clip = let(CLIP, "wide", "length", "they take it");
    Check waived = TOO_LONG.waivedBy(clip.waivedFor("wide"));
    assertThat(waived.verdict()).isEqualTo(Check.Verdict.WAIVED);
    assertThat(waived.text()).isEqualTo("3 s over 58 s; let pass: they take it");
    assertThat(Check.pass(List.of(waived))).isTrue();
  }

  @Test
  void itHoldsForItsSpecAndItsSubjectOnly() {
    Delivered clip = let(CLIP, "wide", "length", "they take it");
    assertThat(TOO_LONG.waivedBy(clip.waivedFor("feed-square"))).isEqualTo(TOO_LONG);
    Check other = Check.fails("file size", "12 MB");
    assertThat(other.waivedBy(clip.waivedFor("wide"))).isEqualTo(other);
    Check right = Check.passes("length", "50 s of 58 s");
    assertThat(right.waivedBy(clip.waivedFor("wide"))).isEqualTo(right);
  }

  /** The finished file is too long as well, and was to be. */
  @Test
  void whatIsMeasuredIsLetPassWithWhatWasForeseen() {
    Check measured = Check.fails("file length", "61.00 s");
    List<Waiver> waived = let(CLIP, "wide", "length", "they take it").waivedFor("wide");
    assertThat(measured.foreseenBy(waived).verdict()).isEqualTo(Check.Verdict.WAIVED);
    Check other = Check.fails("loudness", "-9.0 LUFS");
    assertThat(other.foreseenBy(waived)).isEqualTo(other);
  }

  /** Three seconds too long may be agreed on; twenty were not. */
  @Test
  void whatIsFoundOtherwiseIsAskedAgain() {
    List<Waiver> waived = let(CLIP, "wide", "length", "they take it").waivedFor("wide");
    Check worse = Check.fails("length", "20 s over 58 s");
    assertThat(worse.waivedBy(waived)).isEqualTo(worse);
  }

  @Test
  void itIsSaidOtherwiseAndTakenBack() {
    Delivered clip = let(let(CLIP, "wide", "length", "one"), "wide", "length", "two");
    assertThat(clip.waivedFor("wide")).extracting(Waiver::note).containsExactly("two");
    assertThat(let(clip, "wide", "length", null)).isEqualTo(CLIP);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "  "})
  void aWordIsNeeded(String note) {
    assertThatThrownBy(() -> let(CLIP, "wide", "length", note)).hasMessageContaining("why");
    assertThatThrownBy(() -> let(CLIP, "nowhere", "length", "x"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> let(CLIP, "wide", "x".repeat(41), "x"))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
