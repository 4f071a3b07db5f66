package paringknife.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import paringknife.core.listen.LevelCurve;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Made-up talk of three hours and 30,000 words. */
final class ThreeHours {
  static final int WORDS = 30_000;
  private static final int VOCABULARY = 9_000;

  private ThreeHours() {}

  static Transcript transcript(int seed) {
    Random random = new Random(seed);
    List<Word> words = new ArrayList<>();
    for (int i = 0; i < WORDS; i++) {
      String text =
          word((int) Math.pow(VOCABULARY, random.nextDouble())) + (i % 11 == 10 ? "." : "");
      long start = i * 360_000L;
      words.add(new Word(i, text, start, start + 300_000, i / 90 % 2, 1));
    }
    return new Transcript("en", List.of("Ada", "Ben"), words);
  }

  /**
   * A made-up word by its rank; ranks are drawn so that a few are common and most are rare (Zipf).
   */
  static String word(int rank) {
    String[] onsets = {"b", "d", "f", "gr", "h", "k", "l", "m", "n", "pl", "r", "s", "t", "v", "w"};
    String[] rhymes = {"a", "en", "ill", "o", "um", "ade", "ick", "ost"};
    StringBuilder word = new StringBuilder();
    for (int left = rank; word.isEmpty() || left > 0; left /= 120) {
      word.append(onsets[left % 15]).append(rhymes[left / 15 % 8]);
    }
    return word.toString();
  }

  static LevelCurve levels(Transcript transcript) {
    float[] dbfs = new float[(int) (transcript.words().get(WORDS - 1).endUs() / 10_000) + 100];
    Arrays.fill(dbfs, -60);
    for (Word word : transcript.words()) {
      Arrays.fill(dbfs, (int) (word.startUs() / 10_000), (int) (word.endUs() / 10_000), -18);
    }
    return new LevelCurve(dbfs);
  }

  /**
   * The same with what talk has: a filler in every 40 words, a line said again in every 110, a
   * pause after each sentence.
   */
  static Transcript spoken() {
    List<Word> words = new ArrayList<>(transcript(3).words());
    for (int i = 0; i < WORDS; i++) {
      Word word = words.get(i);
      String text = word.text();
      if (i % 40 == 20) {
        text = "um";
      } else if (i % 110 >= 99) {
        text = words.get(i - 11).text();
      }
      words.set(
          i,
          new Word(
              i,
              text,
              word.startUs(),
              word.endUs() - (i % 11 == 10 ? 100_000 : 0),
              word.speaker(),
              1));
    }
    List<Word> apart = new ArrayList<>();
    for (Word word : words) {
      long shift = word.id() / 11 * 700_000;
      apart.add(
          new Word(
              word.id(),
              word.text(),
              word.startUs() + shift,
              word.endUs() + shift,
              word.speaker(),
              1));
    }
    return new Transcript("en", List.of("Ada", "Ben"), apart);
  }
}
