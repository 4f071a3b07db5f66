package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;

/**
 * Splits a transcript into sentences: at sentence punctuation, at a change of speaker, and, where
 * nothing is punctuated, at a silence of {@value #SILENCE_US} microseconds or more (common
 * practice).
 */
public final class Sentences {
  private static final long SILENCE_US = 1_200_000;

  private Sentences() {}

  public static List<Passage> of(Transcript transcript) {
    List<Word> words = transcript.words();
    List<Passage> sentences = new ArrayList<>();
    int from = 0;
    for (int i = 0; i < words.size(); i++) {
      Word word = words.get(i);
      boolean last = i + 1 == words.size();
      if (last
          || word.endsSentence()
          || words.get(i + 1).speaker() != word.speaker()
          || words.get(i + 1).startUs() - word.endUs() >= SILENCE_US) {
        sentences.add(new Passage(from, i + 1, word.speaker()));
        from = i + 1;
      }
    }
    return sentences;
  }
}
