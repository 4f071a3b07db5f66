package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;

/**
 * Sets a transcript into paragraphs for reading: a new one at every change of speaker, and at a
 * sentence end once the paragraph has {@value #LONG_WORDS} words, unless somebody chose otherwise.
 */
public final class Paragraphs {
  private static final int LONG_WORDS = 70;

  private Paragraphs() {}

  public static List<Passage> of(Transcript transcript) {
    List<Word> words = transcript.words();
    List<Passage> paragraphs = new ArrayList<>();
    int from = 0;
    for (int i = 0; i < words.size(); i++) {
      boolean last = i + 1 == words.size();
      if (last || breaks(transcript, i, from)) {
        paragraphs.add(new Passage(from, i + 1, words.get(i).speaker()));
        from = i + 1;
      }
    }
    return paragraphs;
  }

  private static boolean breaks(Transcript transcript, int word, int from) {
    Word here = transcript.words().get(word);
    Word next = transcript.words().get(word + 1);
    Boolean chosen = transcript.paragraphChoices().get(next.id());
    if (next.speaker() != here.speaker() || chosen != null) {
      return next.speaker() != here.speaker() || chosen;
    }
    return word + 1 - from >= LONG_WORDS && here.endsSentence();
  }
}
