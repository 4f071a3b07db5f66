package paringknife.core.pick;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.transcript.Transcript;

class TextTilingTest {
  /** Against Apache Commons Math's cosine of the same counts. */
  @Test
  void likenessIsTheCosineOfTheCounts() {
    double theirs =
        new ArrayRealVector(new double[] {2, 1, 0, 3})
            .cosine(new ArrayRealVector(new double[] {1, 0, 4, 2}));
    double ours = TextTiling.cosine(Map.of("a", 2, "b", 1, "d", 3), Map.of("a", 1, "c", 4, "d", 2));
    assertThat(ours).isCloseTo(theirs, within(1e-12));
    assertThat(TextTiling.cosine(Map.of(), Map.of("a", 1))).isZero();
  }

  /**
   * Depth by Hearst 1997, section 5.3: from the valley up to the nearest peak on either side, the
   * two rises added. Worked by hand.
   */
  @Test
  void depthIsTheRiseOnBothSides() {
    double[] depths = TextTiling.depths(new double[] {0.8, 0.5, 0.2, 0.6, 0.9, 0.4});
    assertThat(depths[2]).isCloseTo(0.6 + 0.7, within(1e-12));
    assertThat(depths[4]).isCloseTo(0, within(1e-12));
    assertThat(depths[5]).isCloseTo(0.5, within(1e-12));
    assertThat(depths[1]).isCloseTo(0.3, within(1e-12));
  }

  @Test
  void boundariesLieWhereTheWordsChange() {
    Random random = new Random(4);
    String[][] subjects = {
      {"ice", "frost", "winter", "cold", "freeze"},
      {"bread", "oven", "flour", "dough", "crust"},
      {"rope", "ferry", "river", "bank", "current"}
    };
    List<List<String>> units = new ArrayList<>();
    for (String[] subject : subjects) {
      for (int s = 0; s < 20; s++) {
        units.add(
            List.of(
                subject[random.nextInt(5)],
                subject[random.nextInt(5)],
                "thing",
                "other" + random.nextInt(40)));
      }
    }
    List<Integer> found = TextTiling.boundaries(units, 6, 6);
    assertThat(found).hasSizeBetween(2, 4);
    assertThat(found).anyMatch(b -> Math.abs(b - 20) <= 2).anyMatch(b -> Math.abs(b - 40) <= 2);
  }

  @Test
  void aShortTextHasNoBoundary() {
    assertThat(TextTiling.boundaries(List.of(List.of("a"), List.of("b")), 4, 4)).isEmpty();
    assertThat(ChapterFinder.find(new Transcript("en", List.of(), List.of()), new EnglishForms()))
        .isEmpty();
  }

  @Test
  void aChapterIsTitledByWhatIsSaidThereOnly() {
    Talk talk = new Talk().speaker("A");
    for (int i = 0; i < 12; i++) {
      talk.say(
          "The ice was thick and the ice was "
              + (i % 2 == 0 ? "frozen" : "white")
              + " on the water.");
    }
    for (int i = 0; i < 12; i++) {
      talk.say(
          "The bread goes into the oven with "
              + (i % 2 == 0 ? "flour" : "butter")
              + " on the crust.");
    }
    List<Chapter> chapters = ChapterFinder.find(talk.transcript(), new EnglishForms());
    assertThat(chapters).hasSize(2);
    assertThat(chapters.get(0).startUs()).isZero();
    assertThat(chapters.get(0).title())
        .containsIgnoringCase("water")
        .doesNotContainIgnoringCase("bread");
    assertThat(chapters.get(1).title()).containsIgnoringCase("bread");
  }
}
