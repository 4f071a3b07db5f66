package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Finds a phrase in a transcript; case and punctuation do not matter, the last word may be begun.
 */
public final class TranscriptSearch {
  /** A hit: word indexes {@code from} (included) to {@code to} (not). */
  public record Hit(int from, int to) {}

  private TranscriptSearch() {}

  /** Places where a phrase is said; its last word may be the beginning of one. */
  public static List<Hit> find(Transcript transcript, String phrase) {
    return find(transcript, phrase, false);
  }

  /** Places where a phrase of whole words is said. */
  static List<Hit> findWhole(Transcript transcript, String phrase) {
    return find(transcript, phrase, true);
  }

  private static List<Hit> find(Transcript transcript, String phrase, boolean whole) {
    List<String> wanted =
        Arrays.stream(phrase.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}']+"))
            .filter(s -> !s.isEmpty())
            .toList();
    List<Hit> hits = new ArrayList<>();
    if (wanted.isEmpty()) {
      return hits;
    }
    List<String> spoken = transcript.words().stream().map(Word::bare).toList();
    for (int i = 0; i + wanted.size() <= spoken.size(); i++) {
      if (matches(spoken, i, wanted, whole)) {
        hits.add(new Hit(i, i + wanted.size()));
      }
    }
    return hits;
  }

  private static boolean matches(List<String> spoken, int at, List<String> wanted, boolean whole) {
    int last = wanted.size() - 1;
    for (int k = 0; k < last; k++) {
      if (!spoken.get(at + k).equals(wanted.get(k))) {
        return false;
      }
    }
    String end = spoken.get(at + last);
    return whole ? end.equals(wanted.get(last)) : end.startsWith(wanted.get(last));
  }
}
