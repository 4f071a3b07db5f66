package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Gives a transcript without marks its full stops, commas, question marks and capitals, from the
 * pauses and from how sentences begin. Marks that were a close call are left to be looked at: their
 * words get the confidence {@value #CLOSE_CALL}.
 */
public final class Punctuator {
  private static final long STOP_US = 600_000;
  private static final long COMMA_US = 280_000;
  private static final int SHORTEST_SENTENCE = 3;

  /** Confidence of a word whose mark could as well be another. */
  static final double CLOSE_CALL = 0.55;

  /** Shares of the pause that ends a sentence between which it may or may not be one. */
  private static final double LEAST_CLOSE = 0.7;

  private static final double MOST_CLOSE = 1.4;
  private static final Set<String> ASKING =
      Set.of(
          "who", "what", "when", "where", "why", "how", "which", "is", "are", "do", "does", "did",
          "can", "could", "would", "will", "was", "were", "have", "has");
  private static final Set<String> ASKING_AFTER =
      Set.of(
          "you",
          "he",
          "she",
          "it",
          "they",
          "we",
          "i",
          "is",
          "are",
          "was",
          "were",
          "do",
          "does",
          "did",
          "the",
          "that",
          "this",
          "there",
          "would",
          "will",
          "can",
          "could",
          "have",
          "has",
          "happened",
          "bad",
          "many",
          "much",
          "long",
          "old");

  private Punctuator() {}

  /** The transcript with marks; words that have one keep it. */
  public static Transcript punctuate(Transcript transcript) {
    List<Word> words = transcript.words();
    List<Word> marked = new ArrayList<>();
    int from = 0;
    for (int i = 0; i < words.size(); i++) {
      Word word = words.get(i);
      boolean last = i + 1 == words.size();
      long pause = last ? Long.MAX_VALUE : words.get(i + 1).startUs() - word.endUs();
      boolean otherSpeaks = !last && words.get(i + 1).speaker() != word.speaker();
      String text =
          i == from ? TranscriptEditor.capital(word.text(), true) : asFirstPerson(word.text());
      if (!word.endsClause()) {
        if (last || otherSpeaks || pause >= STOP_US && i - from + 1 >= SHORTEST_SENTENCE) {
          text += asks(words, from, i) ? "?" : ".";
        } else if (pause >= COMMA_US) {
          text += ",";
        }
      }
      boolean close =
          !word.endsClause()
              && !last
              && !otherSpeaks
              && pause >= LEAST_CLOSE * STOP_US
              && pause <= MOST_CLOSE * STOP_US;
      Word made =
          new Word(
              word.id(),
              text,
              word.startUs(),
              word.endUs(),
              word.speaker(),
              close ? CLOSE_CALL : word.confidence());
      marked.add(made);
      if (made.endsSentence()) {
        from = i + 1;
      }
    }
    return transcript.withWords(marked);
  }

  private static String asFirstPerson(String text) {
    return text.equals("i") || text.startsWith("i'") ? "I" + text.substring(1) : text;
  }

  private static boolean asks(List<Word> words, int from, int to) {
    return to > from
        && ASKING.contains(words.get(from).bare().replaceAll("'(d|s|re|ll|ve)$", ""))
        && ASKING_AFTER.contains(words.get(from + 1).bare());
  }
}
