package paringknife.core.transcript;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.formats.PlainText;
import paringknife.core.time.Span;

class MisfitsTest {
  private static final Transcript TEXT =
      PlainText.read("the ice came up the river in one night and took the gate", 13_000_000);

  /**
   * What was heard: a word a second, without "up the river" and with three words that nobody wrote
   * down.
   */
  private static final List<HeardWord> HEARD =
      List.of(
          heard("the", 0),
          heard("ice", 1),
          heard("came", 2),
          heard("in", 6),
          heard("one", 7),
          heard("night", 8),
          heard("well", 9),
          heard("yes", 10),
          heard("quite", 11),
          heard("and", 12),
          heard("took", 13),
          heard("the", 14),
          heard("gate", 15));

  private static HeardWord heard(String token, int second) {
    return new HeardWord(token, second * 1_000_000L, second * 1_000_000L + 800_000, 0.9);
  }

  private final TextOnSound laid = TextOnSound.lay(TEXT, HEARD, 17_000_000);
  private final Misfits misfits = Misfits.of(laid);

  @Test
  void wordsNotHeardAndSoundNotWrittenDownAreTold() {
    assertThat(misfits.unheard()).containsExactly(new Misfits.Stretch(3, 5));
    assertThat(misfits.untold()).containsExactly(new Span(9_000_000, 11_800_000));
    assertThat(misfits.isEmpty()).isFalse();
    assertThat(laid.transcript().words().get(3).confidence()).isLessThan(0.5);
  }

  @Test
  void aStretchGoesOnceEachOfItsWordsWasLookedAt() {
    TranscriptEditor editor = new TranscriptEditor(laid.transcript());
    Transcript two = new TranscriptEditor(editor.accept(3)).accept(4);
    assertThat(misfits.left(two).unheard()).hasSize(1);
    assertThat(misfits.left(new TranscriptEditor(two).accept(5)).unheard()).isEmpty();
  }

  @Test
  void anUntoldStretchGoesOnceWordsWereTypedIntoIt() {
    Transcript typed =
        new TranscriptEditor(laid.transcript())
            .typeIn("well yes quite", new Span(9_000_000, 11_800_000), -1);
    assertThat(misfits.left(typed).untold()).isEmpty();
    assertThat(misfits.left(laid.transcript())).isEqualTo(misfits);
  }

  @Test
  void wordsThatAreGoneAreNoMisfitsAnyMore() {
    Transcript shortened = laid.transcript().withWords(laid.transcript().words().subList(0, 4));
    assertThat(misfits.left(shortened).unheard()).isEmpty();
  }
}
