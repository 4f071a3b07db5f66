package paringknife.core.transcript;

import java.util.List;
import java.util.Map;
import paringknife.core.time.Span;
import paringknife.core.writing.Spacing;

/**
 * Everything said in an episode, in order of time.
 *
 * @param language BCP 47 tag, such as {@code en}
 * @param speakers names, by index
 * @param words ordered by start
 * @param paragraphChoices words, by identity, at which a paragraph was made to start (true) or not
 *     to (false); elsewhere {@link Paragraphs} decides
 */
public record Transcript(
    String language, List<String> speakers, List<Word> words, Map<Long, Boolean> paragraphChoices) {
  public Transcript {
    speakers = List.copyOf(speakers);
    words = List.copyOf(words);
    paragraphChoices = paragraphChoices == null ? Map.of() : Map.copyOf(paragraphChoices);
    for (int i = 1; i < words.size(); i++) {
      if (words.get(i).startUs() < words.get(i - 1).startUs()) {
        throw new IllegalArgumentException(
            "words are not in order of time at \"" + words.get(i).text() + "\"");
      }
    }
  }

  /** A transcript in whose paragraphs nobody has had a say. */
  public Transcript(String language, List<String> speakers, List<Word> words) {
    this(language, speakers, words, Map.of());
  }

  public Transcript withWords(List<Word> changed) {
    return new Transcript(language, speakers, changed, paragraphChoices);
  }

  public Transcript withSpeakers(List<String> changed) {
    return new Transcript(language, changed, words, paragraphChoices);
  }

  /** An identity beyond those of all words here. */
  long nextWordId() {
    return words.stream().mapToLong(Word::id).max().orElse(-1) + 1;
  }

  /** Index of the first word that ends after a time; the number of words when none does. */
  public int firstEndingAfter(long us) {
    int low = 0;
    int high = words.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (words.get(middle).endUs() > us) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  /** The words of which at least half lies inside a span. */
  public List<Word> within(Span span) {
    int from = firstEndingAfter(span.startUs());
    int to = from;
    while (to < words.size() && words.get(to).startUs() < span.endUs()) {
      to++;
    }
    return words.subList(from, to).stream()
        .filter(w -> w.span().overlapUs(span) * 2 >= w.span().lengthUs())
        .toList();
  }

  /** Index of a word by identity; -1 when the transcript has no such word. */
  public int indexOf(long wordId) {
    if (wordId >= 0 && wordId < words.size() && words.get((int) wordId).id() == wordId) {
      return (int) wordId;
    }
    for (int i = 0; i < words.size(); i++) {
      if (words.get(i).id() == wordId) {
        return i;
      }
    }
    return -1;
  }

  public String speakerName(int speaker) {
    return speaker >= 0 && speaker < speakers.size() ? speakers.get(speaker) : "";
  }

  /** The text of words {@code from} (included) to {@code to} (not), separated by blanks. */
  public String text(int from, int to) {
    return Spacing.joined(words.subList(from, to).stream().map(Word::text).toList());
  }
}
