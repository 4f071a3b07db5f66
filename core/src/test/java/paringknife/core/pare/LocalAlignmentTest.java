package paringknife.core.pare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class LocalAlignmentTest {
  private static List<String> words(String text) {
    return List.of(text.split(" "));
  }

  @Test
  void aFalseStartIsAlignedAsFarAsItWasSaidAgain() {
    LocalAlignment found =
        LocalAlignment.fromStart(
            words("so the wheel was frozen and"),
            words("so the wheel was frozen solid by the morning"));
    assertThat(found).isEqualTo(new LocalAlignment(5, 5, 5));
  }

  @Test
  void aWordTooManyAndAnotherWordAreBridged() {
    assertThat(
            LocalAlignment.fromStart(
                words("we pulled the rope in at night"), words("we pulled um the rope in at noon")))
        .isEqualTo(new LocalAlignment(6, 7, 6));
    assertThat(
            LocalAlignment.fromStart(
                words("the old gate held all winter"), words("the new gate held all winter")))
        .isEqualTo(new LocalAlignment(6, 6, 5));
  }

  @Test
  void rowsThatBeginUnlikeHaveNothingInCommon() {
    assertThat(LocalAlignment.fromStart(words("one two three"), words("four five six")))
        .isEqualTo(new LocalAlignment(0, 0, 0));
    assertThat(LocalAlignment.fromStart(List.of(), words("four")))
        .isEqualTo(new LocalAlignment(0, 0, 0));
  }

  /** The best score of all alignments of two rows, by trying each of them. */
  private static double bestOfAll(List<String> a, List<String> b, int i, int j) {
    double stopHere = 0;
    double pair =
        i < a.size() && j < b.size()
            ? (a.get(i).equals(b.get(j)) ? 2 : -1.5) + bestOfAll(a, b, i + 1, j + 1)
            : 0;
    double skipA = i < a.size() ? bestOfAll(a, b, i + 1, j) - 1 : 0;
    double skipB = j < b.size() ? bestOfAll(a, b, i, j + 1) - 1 : 0;
    return Math.max(Math.max(stopHere, pair), Math.max(skipA, skipB));
  }

  /** What an alignment that ends here can score at best. */
  private static double bestUpTo(LocalAlignment found, List<String> a, List<String> b) {
    double[][] score = new double[found.endA() + 1][found.endB() + 1];
    for (int i = 0; i <= found.endA(); i++) {
      for (int j = 0; j <= found.endB(); j++) {
        double best = i == 0 && j == 0 ? 0 : Double.NEGATIVE_INFINITY;
        best = i > 0 ? Math.max(best, score[i - 1][j] - 1) : best;
        best = j > 0 ? Math.max(best, score[i][j - 1] - 1) : best;
        best =
            i > 0 && j > 0
                ? Math.max(
                    best, score[i - 1][j - 1] + (a.get(i - 1).equals(b.get(j - 1)) ? 2 : -1.5))
                : best;
        score[i][j] = best;
      }
    }
    return score[found.endA()][found.endB()];
  }

  @Test
  void noAlignmentScoresMoreThanTheOneFound() {
    Random random = new Random(4);
    for (int run = 0; run < 400; run++) {
      List<String> a = random(random);
      List<String> b = random(random);
      assertThat(bestUpTo(LocalAlignment.fromStart(a, b), a, b))
          .as("%s and %s", a, b)
          .isEqualTo(bestOfAll(a, b, 0, 0));
    }
  }

  private static List<String> random(Random random) {
    return IntStream.range(0, random.nextInt(7))
        .mapToObj(i -> "abc".substring(random.nextInt(3)).substring(0, 1))
        .toList();
  }
}
