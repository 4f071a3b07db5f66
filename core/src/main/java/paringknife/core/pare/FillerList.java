package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The filler words of a language, as a show has them. The shipped lists are common practice,
 * written from memory.
 *
 * @param sure single words that are fillers wherever they stand
 * @param doubtful words and phrases that are fillers only where the rhythm shows it
 */
public record FillerList(List<String> sure, List<String> doubtful) {
  private static final int MOST = 200;
  private static final int LONGEST = 40;

  /** Keeps words in lower case, each once; a phrase among the sure ones counts as doubtful. */
  public FillerList {
    List<String> phrases = new ArrayList<>(cleaned(doubtful));
    List<String> words = new ArrayList<>();
    for (String word : cleaned(sure)) {
      (word.contains(" ") ? phrases : words).add(word);
    }
    phrases.removeAll(words);
    sure = List.copyOf(words);
    doubtful = phrases.stream().distinct().toList();
  }

  private static List<String> cleaned(List<String> words) {
    List<String> clean =
        words.stream()
            .map(
                w ->
                    w.toLowerCase(Locale.ROOT)
                        .replaceAll("[^\\p{L}\\p{N}' ]", " ")
                        .strip()
                        .replaceAll("\\s+", " "))
            .filter(w -> !w.isEmpty())
            .distinct()
            .toList();
    if (clean.size() > MOST || clean.stream().anyMatch(w -> w.length() > LONGEST)) {
      throw new IllegalArgumentException(
          "A filler list holds at most " + MOST + " words or phrases of " + LONGEST + " letters.");
    }
    return clean;
  }

  /** The shipped list of a language (ISO 639-1); the English one for languages without. */
  public static FillerList of(String language) {
    return switch (language.toLowerCase(Locale.ROOT).split("[-_]")[0]) {
      case "de" ->
          new FillerList(
              List.of("äh", "ähm", "öh", "öhm", "hm", "hmm", "mhm"),
              List.of(
                  "also",
                  "halt",
                  "quasi",
                  "sozusagen",
                  "irgendwie",
                  "na ja",
                  "weißt du",
                  "sag ich mal"));
      case "fr" ->
          new FillerList(
              List.of("euh", "heu", "hum", "hem", "mmh"),
              List.of("du coup", "en fait", "genre", "quoi", "tu vois", "enfin", "bref"));
      case "es" ->
          new FillerList(
              List.of("eh", "em", "mmm", "ehm"),
              List.of("o sea", "pues", "bueno", "este", "digamos", "sabes"));
      default ->
          new FillerList(
              List.of("um", "umm", "uh", "uhm", "er", "erm", "hm", "hmm", "mm", "mhm"),
              List.of(
                  "you know",
                  "i mean",
                  "sort of",
                  "kind of",
                  "like",
                  "so",
                  "well",
                  "right",
                  "actually",
                  "basically"));
    };
  }
}
