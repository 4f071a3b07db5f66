package paringknife.media.language;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import paringknife.core.letter.translated.Translator;
import paringknife.core.writing.Spacing;

/**
 * Stands in for a translation service: knows some sentences, and a list of words for what it does
 * not know. What it has no word for stays as it is, in brackets, and a sentence of which it knows
 * less than half is left alone.
 */
public final class PhraseBook implements Translator {
  private static final Set<String> HESITATIONS = Set.of("um", "uh", "er");
  private static final double LEAST_KNOWN = 0.5;

  private final Map<String, Map<String, String>> books = new HashMap<>();

  /** The one that ships. */
  public static PhraseBook shipped() {
    PhraseBook book = new PhraseBook();
    book.add("en", "de");
    book.add("en", "ar");
    return book;
  }

  private void add(String from, String to) {
    Map<String, String> phrases = new HashMap<>();
    String name = "/translations/" + from + "-" + to + ".tsv";
    try (InputStream in = PhraseBook.class.getResourceAsStream(name);
        BufferedReader lines =
            new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      lines
          .lines()
          .map(l -> l.split("\t", 2))
          .forEach(parts -> phrases.put(bare(parts[0]), parts[1]));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    books.put(pair(from, to), phrases);
  }

  @Override
  public String name() {
    return "a phrase book that stands in for a translation service";
  }

  @Override
  public boolean translates(String from, String to) {
    return books.containsKey(pair(from, to));
  }

  /** Regions and scripts make no difference to it. */
  private static String pair(String from, String to) {
    return Locale.forLanguageTag(from).getLanguage()
        + "-"
        + Locale.forLanguageTag(to).getLanguage();
  }

  @Override
  public List<Proposal> translate(String from, String to, List<String> sentences) {
    Map<String, String> phrases =
        Optional.ofNullable(books.get(pair(from, to)))
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "The phrase book does not go from " + from + " to " + to + "."));
    return sentences.stream().map(s -> proposal(s, phrases)).toList();
  }

  private static Proposal proposal(String sentence, Map<String, String> phrases) {
    String whole = phrases.get(bare(sentence));
    if (whole != null) {
      return new Proposal(whole, true);
    }
    String[] words = sentence.strip().split("[\\s\\p{Z}]{1,200}");
    List<String> glossed = new ArrayList<>();
    int known = 0;
    for (String word : words) {
      String found = phrases.get(bare(word));
      known += found == null ? 0 : 1;
      glossed.add(found == null ? "[" + word + "]" : found);
    }
    boolean helps = known >= words.length * LEAST_KNOWN;
    return new Proposal(helps ? Spacing.joined(glossed) : "", false);
  }

  /** Letters and digits alone, in small letters, without hesitations. */
  private static String bare(String text) {
    StringBuilder bare = new StringBuilder();
    for (String word : text.toLowerCase(Locale.ROOT).split("[\\s\\p{Z}]{1,200}")) {
      String letters = word.replaceAll("[^\\p{L}\\p{N}']", "");
      if (!letters.isEmpty() && !HESITATIONS.contains(letters)) {
        bare.append(bare.isEmpty() ? "" : " ").append(letters);
      }
    }
    return bare.toString();
  }
}
