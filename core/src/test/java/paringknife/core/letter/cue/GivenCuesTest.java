package paringknife.core.letter.cue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.time.Span;

class GivenCuesTest {
  private static List<Cue> fitted(Breaking breaking, Cue... given) {
    return new GivenCues(breaking, "en").fitted(List.of(given));
  }

  @Test
  void captionsThatHaveRoomStayAsTheyAre() {
    Cue cue = Cue.given(new Span(1_000_000, 3_000_000), "Nobody rang.\nThat is the story.");
    List<Cue> fitted = fitted(Breaking.of(12, 2, 30), cue);
    assertThat(fitted).hasSize(1);
    assertThat(fitted.get(0).text()).isEqualTo("Nobody rang.\nThat is the story.");
    assertThat(fitted.get(0).span()).isEqualTo(cue.span());
    assertThat(cue.words().get(0).span().startUs()).isEqualTo(1_000_000);
    assertThat(cue.words().get(5).span().endUs()).isEqualTo(3_000_000);
  }

  @Test
  void whatIsTooLongIsBrokenWithinItsOwnTime() {
    Cue cue =
        Cue.given(
            new Span(1_000_000, 5_000_000),
            "My uncle ran the little ferry below the mill, and if you want to cross, you ring.");
    List<Cue> fitted = fitted(Breaking.of(5, 2, 16), cue);
    assertThat(fitted).hasSizeGreaterThan(2);
    assertThat(fitted.get(0).span().startUs()).isEqualTo(1_000_000);
    assertThat(fitted.get(fitted.size() - 1).span().endUs()).isEqualTo(5_000_000);
    assertThat(String.join(" ", fitted.stream().map(c -> c.text().replace('\n', ' ')).toList()))
        .isEqualTo(cue.text());
    for (int i = 1; i < fitted.size(); i++) {
      assertThat(fitted.get(i).span().startUs())
          .isGreaterThanOrEqualTo(fitted.get(i - 1).span().endUs());
    }
  }

  @Test
  void aVerbDoesNotStandAloneBeforeItsPronoun() {
    Cue cue = Cue.given(new Span(0, 2_000_000), "Fangen wir von vorn an.");
    assertThat(new GivenCues(Breaking.of(6, 2, 16), "de").fitted(List.of(cue)))
        .extracting(Cue::text)
        .containsExactly("Fangen wir\nvon vorn an.");
  }

  @Test
  void noneStandsOverAnotherAndEmptyOnesGo() {
    List<Cue> fitted =
        fitted(
            Breaking.of(12, 2, 30),
            Cue.given(new Span(0, 4_000_000), "One"),
            Cue.given(new Span(2_000_000, 3_000_000), "Two"),
            Cue.given(new Span(3_000_000, 3_000_000), " \n "),
            Cue.given(new Span(3_500_000, 4_000_000), "Three"));
    assertThat(fitted.stream().map(Cue::text)).containsExactly("One", "Two", "Three");
    assertThat(fitted.get(0).span().endUs()).isEqualTo(2_000_000);
  }
}
