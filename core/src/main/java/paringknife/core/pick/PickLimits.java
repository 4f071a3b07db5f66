package paringknife.core.pick;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * What picking cannot go by in a transcript, said so that a producer knows what to make of its
 * picks.
 */
public final class PickLimits {
  private static final int WORDS_A_SENTENCE = 60;
  private static final long SHORT_US = 60_000_000;

  private PickLimits() {}

  /** None when there is everything that picking goes by. */
  public static List<String> of(Transcript transcript) {
    List<Word> words = transcript.words();
    List<String> limits = new ArrayList<>();
    if (words.isEmpty()) {
      return List.of("There are no words yet, so there is nothing to pick by.");
    }
    if (!transcript.language().equals("en") && !transcript.language().startsWith("en-")) {
      limits.add(
          String.format(
              Locale.ROOT,
              "There is no sentence model for this language (%s): sentences are taken by their punctuation, fillers and small talk are not known.",
              Locale.forLanguageTag(transcript.language()).getDisplayLanguage(Locale.ENGLISH)));
    }
    long ends = words.stream().filter(Word::endsSentence).count();
    if (words.size() > WORDS_A_SENTENCE && ends * WORDS_A_SENTENCE < words.size()) {
      limits.add(
          "This text has hardly any full stops, so pauses are taken for the ends of sentences. \u201cThe words\u201d above can give it marks.");
    }
    if (words.stream().mapToInt(Word::speaker).distinct().count() == 1
        && transcript.speakers().size() <= 1) {
      limits.add("Only one speaker is known, so questions and answers cannot be told apart.");
    }
    if (words.get(words.size() - 1).endUs() - words.get(0).startUs() < SHORT_US) {
      limits.add("This is less than a minute of talk: there is little to choose from.");
    }
    return limits;
  }
}
