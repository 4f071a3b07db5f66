package paringknife.core.dress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.CutList;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.drawn.Beside;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class LaidTextsTest {
  private static final long S = 1_000_000;

  /** A word a second; two speakers with names and one without. */
  private static final Transcript TRANSCRIPT =
      new Transcript("en", List.of("Ada Winter", "Speaker 2", "Boris"), words());

  private static List<Word> words() {
    int[] speakers = {0, 0, 0, 1, 1, 2, 2, 2, 0, 0, 0, 0};
    List<Word> words = new ArrayList<>();
    for (int i = 0; i < speakers.length; i++) {
      long at = i * S;
      words.add(new Word(100 + i, "word" + i, at + 100_000, at + 900_000, speakers[i], 1));
    }
    return words;
  }

  private static CutList cuts(Span... stretches) {
    return Pared.of(List.of(stretches)).cuts(TRANSCRIPT);
  }

  private static List<Beside> besides(LaidOver laidOver, CutList cuts) {
    return new LaidTexts(laidOver, cuts, TRANSCRIPT).besides();
  }

  private static LaidOver named(double seconds) {
    return LaidOver.NOTHING.with(new Names(true, "lectern", seconds));
  }

  private static List<String> told(Beside beside) {
    List<String> told = new ArrayList<>();
    for (Cue cue : beside.cues()) {
      told.add(cue.span().startUs() / 1000 + "-" + cue.span().endUs() / 1000 + " " + cue.text());
    }
    return told;
  }

  @Test
  void everyNameIsShownOnceFromWhereItsSpeakerIsFirstHeard() {
    List<Beside> shown = besides(named(3), cuts(new Span(0, 12 * S)));
    assertThat(shown).hasSize(1);
    assertThat(told(shown.get(0))).containsExactly("100-3100 Ada Winter", "5100-8100 Boris");
    assertThat(shown.get(0).style().mark()).isInstanceOf(SpokenMark.Unmarked.class);
    assertThat(besides(LaidOver.NOTHING, cuts(new Span(0, 12 * S)))).isEmpty();
  }

  @Test
  void aNameEndsWhereTheNextBeginsOrTheClipDoes() {
    assertThat(told(besides(named(10), cuts(new Span(0, 7 * S))).get(0)))
        .containsExactly("100-5100 Ada Winter", "5100-7000 Boris");
  }

  @Test
  void aCallOutStandsWhileItsWordsAreSaidWhereverTheyAre() {
    LaidOver called =
        LaidOver.NOTHING
            .with(new CallOut(109, 110, "what holds"))
            .with(new CallOut(101, 103, "one thread, and no more of it than that"));
    List<Beside> whole = besides(called, cuts(new Span(0, 12 * S)));
    assertThat(told(whole.get(0)).get(0)).startsWith("1100-4400 one thread,").contains("\n");
    assertThat(told(whole.get(0)).get(1)).isEqualTo("9100-11400 what holds");
    // Its first word has gone, and another stretch comes before it.
    List<Beside> pared = besides(called, cuts(new Span(9 * S, 12 * S), new Span(2 * S, 6 * S)));
    assertThat(told(pared.get(0)).get(0)).startsWith("100-2400 what holds");
    assertThat(told(pared.get(0)).get(1)).startsWith("3100-5400 one thread");
    assertThat(besides(called, cuts(new Span(5 * S, 8 * S))).get(0).cues()).isEmpty();
  }

  @Test
  void aShortOneStandsLongEnoughToBeReadAndNoneOverAnother() {
    LaidOver called =
        LaidOver.NOTHING
            .with(new CallOut(101, 101, "short"))
            .with(new CallOut(106, 106, "this"))
            .with(new CallOut(107, 107, "that"));
    assertThat(told(besides(called, cuts(new Span(0, 12 * S))).get(0)))
        .containsExactly("1100-2600 short", "6100-7100 this", "7100-8600 that");
  }

  @Test
  void thereIsOneForAFirstWordAndItCanGo() {
    LaidOver twice =
        LaidOver.NOTHING.with(new CallOut(101, 102, "this")).with(new CallOut(101, 104, "that"));
    assertThat(twice.callOuts()).containsExactly(new CallOut(101, 104, "that"));
    assertThat(twice.without(101).callOuts()).isEmpty();
    assertThat(new CallOut(1, 1, "  two \n words ").text()).isEqualTo("two words");
  }

  @Test
  void whatNobodyCanReadIsRefused() {
    for (String text : List.of("", " \t", "a".repeat(121))) {
      assertThatThrownBy(() -> new CallOut(1, 1, text))
          .isInstanceOf(IllegalArgumentException.class);
    }
    for (double seconds : new double[] {0, 0.9, 11, Double.NaN}) {
      assertThatThrownBy(() -> new Names(true, "lectern", seconds))
          .isInstanceOf(IllegalArgumentException.class);
    }
    assertThatThrownBy(() -> new Names(true, "nothing", 3))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> LaidOver.NOTHING.setIn("nothing"))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
