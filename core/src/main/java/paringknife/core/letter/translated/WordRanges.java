package paringknife.core.letter.translated;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Where sentences stand among the words of an episode, whatever was corrected since. */
final class WordRanges {
  private final Map<Long, Integer> places = new HashMap<>();

  /** From one word to another, both by index and included; nowhere when {@code last} is less. */
  record Range(int first, int last) {
    private static final Range NOWHERE = new Range(0, -1);

    /** How many words both have. */
    int common(Range other) {
      return Math.max(0, Math.min(last, other.last) - Math.max(first, other.first) + 1);
    }
  }

  WordRanges(Transcript transcript) {
    List<Word> words = transcript.words();
    for (int i = 0; i < words.size(); i++) {
      places.put(words.get(i).id(), i);
    }
  }

  /** From a word to another by identity; where one of them is gone it goes on at the other. */
  Range of(long firstId, long lastId) {
    Integer first = places.get(firstId);
    Integer last = places.get(lastId);
    if (first == null && last == null) {
      return Range.NOWHERE;
    }
    return new Range(first == null ? last : first, last == null ? first : last);
  }

  Range of(TranslatedSentence sentence) {
    return of(sentence.first(), sentence.last());
  }
}
