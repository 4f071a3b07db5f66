package paringknife.core.pick;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import opennlp.tools.sentdetect.SentenceDetectorME;
import opennlp.tools.sentdetect.SentenceModel;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.LUDecomposition;
import org.apache.commons.math3.linear.MatrixUtils;
import org.apache.commons.math3.linear.RealMatrix;
import org.junit.jupiter.api.Test;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Sentence ends, centrality and the choice of picks against independent implementations. */
class AgainstOthersTest {
  private static final String TALK =
      "Mr. Hale came down at 3.30 in the morning. He said \u201cthe gate has gone!\u201d and ran back up. Was it the ice? It was. "
          + "Dr. Anstey measured 4.2 m of water in the pond; nobody had seen that before... Then the wheel stopped. "
          + "We asked St. Mary's for the bell, i.e. the small one. They sent J. Corrin with a cart! It took nine days. And on the tenth, it turned.";

  private static String resource(String name) throws IOException {
    try (InputStream in = AgainstOthersTest.class.getResourceAsStream(name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .replaceAll("(?m)^[A-Z]: ", "")
          .replaceAll("\\s+", " ")
          .strip();
    }
  }

  private static Transcript spoken(String text) {
    List<Word> words = new ArrayList<>();
    for (String token : text.split(" ")) {
      words.add(
          new Word(
              words.size(),
              token,
              words.size() * 350_000L,
              words.size() * 350_000L + 300_000,
              0,
              1));
    }
    return new Transcript("en", List.of("Ada"), words);
  }

  /** Apache OpenNLP's own English sentence model, from its Maven package. */
  @Test
  void sentencesEndWhereOpenNlpEndsThem() throws IOException {
    SentenceDetectorME detector;
    try (InputStream in =
        SentenceModel.class.getResourceAsStream("/opennlp-en-ud-ewt-sentence-1.3-2.5.4.bin")) {
      detector = new SentenceDetectorME(new SentenceModel(in));
    }
    String text = TALK + " " + resource("/planted-stories.txt");
    Set<Integer> theirs = new HashSet<>();
    for (opennlp.tools.util.Span sentence : detector.sentPosDetect(text)) {
      theirs.add(text.substring(0, sentence.getEnd()).split(" ").length);
    }
    Set<Integer> ours =
        new HashSet<>(Sentences.of(spoken(text)).stream().map(Passage::to).toList());
    Set<Integer> both = new HashSet<>(ours);
    both.retainAll(theirs);
    double agreement = 2.0 * both.size() / (ours.size() + theirs.size());
    System.out.printf(
        "sentence ends: ours %d, OpenNLP's %d, both %d%n", ours.size(), theirs.size(), both.size());
    assertThat(agreement).isGreaterThanOrEqualTo(0.93);
  }

  /**
   * TextRank's equation (Mihalcea and Tarau 2004) is linear; Commons Math solves it by LU
   * decomposition, where ours walks.
   */
  @Test
  void centralityIsTheSolutionOfTextRanksEquation() {
    Random random = new Random(4);
    List<Set<String>> sentences = new ArrayList<>();
    for (int s = 0; s < 40; s++) {
      Set<String> words = new HashSet<>();
      int size = 3 + random.nextInt(9);
      while (words.size() < size) {
        words.add("w" + random.nextInt(160));
      }
      sentences.add(words);
    }
    int n = sentences.size();
    double[][] weight = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        Set<String> shared = new HashSet<>(sentences.get(i));
        shared.retainAll(sentences.get(j));
        shared.removeIf(w -> sentences.stream().filter(s -> s.contains(w)).count() > 0.12 * n);
        weight[i][j] =
            i == j
                ? 0
                : shared.size()
                    / (Math.log(1 + sentences.get(i).size())
                        + Math.log(1 + sentences.get(j).size()));
      }
    }
    RealMatrix system = MatrixUtils.createRealIdentityMatrix(n);
    for (int i = 0; i < n; i++) {
      double out = Arrays.stream(weight[i]).sum();
      for (int j = 0; j < n; j++) {
        system.addToEntry(j, i, out == 0 ? 0 : -0.85 * weight[i][j] / out);
      }
    }
    double[] solved =
        new LUDecomposition(new Array2DRowRealMatrix(system.getData()))
            .getSolver()
            .solve(new ArrayRealVector(n, 0.15))
            .toArray();
    double[] walked = Centrality.of(sentences);
    for (int i = 0; i < n; i++) {
      assertThat(walked[i]).as("sentence %d", i).isCloseTo(solved[i], within(0.02));
    }
  }

  /** Every subset is tried. */
  @Test
  void theChosenSetIsTheBestOfAll() {
    for (int seed = 0; seed < 60; seed++) {
      Random random = new Random(seed);
      List<BestSet.Candidate> candidates = new ArrayList<>();
      int n = 4 + random.nextInt(8);
      for (int i = 0; i < n; i++) {
        long start = random.nextInt(50);
        candidates.add(
            new BestSet.Candidate(
                new Span(start, start + 2 + random.nextInt(15)), random.nextInt(40) / 4.0 - 1));
      }
      int most = 1 + random.nextInt(4);
      double best = 0;
      for (int subset = 0; subset < 1 << n; subset++) {
        best = Math.max(best, worth(candidates, subset, most));
      }
      double chosen =
          BestSet.choose(candidates, most).stream()
              .mapToDouble(i -> candidates.get(i).score())
              .sum();
      assertThat(chosen).as("seed %d", seed).isEqualTo(best);
    }
  }

  private static double worth(List<BestSet.Candidate> candidates, int subset, int most) {
    double sum = 0;
    for (int i = 0; i < candidates.size(); i++) {
      for (int j = 0; j < i; j++) {
        if ((subset >> i & 1) == 1
            && (subset >> j & 1) == 1
            && candidates.get(i).span().overlaps(candidates.get(j).span())) {
          return 0;
        }
      }
      sum += (subset >> i & 1) == 1 ? candidates.get(i).score() : 0;
    }
    return Integer.bitCount(subset) > most ? 0 : sum;
  }
}
