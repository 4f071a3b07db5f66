package paringknife.core.outbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.post.PostTexts;
import paringknife.core.frame.Shape;

class RulesTest {
  private static final Rules STRICT =
      new Rules(List.of(new Shape(9, 16), new Shape(4, 5)), 60, 10_000_000, 10, 20, 2);
  private static final Rules ANY = new Rules(List.of(), 0, 0, 0, 0, 0);

  private static PostTexts texts(String title, String text, String... tags) {
    return new PostTexts(title, text, List.of(tags));
  }

  @Test
  void whatKeepsToTheRulesIsTakenUpToTheVeryLimit() {
    assertThat(
            STRICT.against(
                new Offered(
                    1080,
                    1920,
                    60.04,
                    10_000_000,
                    texts("a".repeat(10), "b".repeat(20), "c", "d"))))
        .isEmpty();
    assertThat(STRICT.against(new Offered(1080, 1350, 1, 1, texts("", "")))).isEmpty();
  }

  @Test
  void everyReasonIsSaidWithWhatIsAndWhatIsTaken() {
    assertThat(
            STRICT.against(
                new Offered(
                    1920,
                    1080,
                    75.25,
                    12_340_000,
                    texts("a".repeat(11), "b".repeat(21), "c", "d", "e"))))
        .containsExactly(
            "too long: 75.3 s, 60 s are taken",
            "too large: 12.3 MB, 10.0 MB are taken",
            "wrong shape: 1920 x 1080, 9:16 or 4:5 is taken",
            "title too long: 11 characters, 10 are taken",
            "text too long: 21 characters, 20 are taken",
            "list of tags too long: 3 tags, 2 are taken");
  }

  @Test
  void soundAloneHasNoShape() {
    Offered sound = new Offered(0, 0, 30, 400_000, texts("", ""));
    assertThat(STRICT.against(sound))
        .containsExactly("wrong shape: nothing to see, 9:16 or 4:5 is taken");
    assertThat(ANY.against(sound)).isEmpty();
  }

  /** A recording's own shape rounded to even pixels is still that shape; another one is not. */
  @Test
  void aShapeIsMetWithinRoundedPixels() {
    assertThat(STRICT.against(new Offered(202, 360, 1, 1, texts("", "")))).isEmpty();
    assertThat(STRICT.against(new Offered(1080, 1440, 1, 1, texts("", "")))).hasSize(1);
  }

  @Test
  void charactersAreCountedAsReadersDoNotAsTheyAreStored() {
    assertThat(STRICT.against(new Offered(9, 16, 1, 1, texts("🔪".repeat(10), "")))).isEmpty();
    assertThat(STRICT.against(new Offered(9, 16, 1, 1, texts("🔪".repeat(11), "")))).hasSize(1);
  }

  @Test
  void rulesThatNobodyCanKeepAreRefused() {
    for (long[] bad : new long[][] {{-1, 0, 0}, {43_201, 0, 0}, {0, -1, 0}, {0, 0, 10_001}}) {
      assertThatThrownBy(() -> new Rules(List.of(), (int) bad[0], bad[1], (int) bad[2], 0, 0))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("is from 0 to");
    }
    assertThatThrownBy(
            () ->
                new Rules(
                    java.util.stream.IntStream.range(1, 14)
                        .mapToObj(i -> new Shape(i, 14))
                        .toList(),
                    0,
                    0,
                    0,
                    0,
                    0))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
