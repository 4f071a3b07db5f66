package paringknife.media.language;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.languagetool.JLanguageTool;
import org.languagetool.Language;
import org.languagetool.Languages;
import org.languagetool.rules.en.MorfologikAmericanSpellerRule;
import org.languagetool.rules.en.MorfologikBritishSpellerRule;
import org.languagetool.rules.spelling.morfologik.MorfologikSpellerRule;
import paringknife.core.transcript.DoubtfulWords;

/**
 * LanguageTool's English dictionaries, American and British: a word is known when either has it,
 * and so is every word of a language that is not installed. What was looked up once is remembered.
 */
public final class DictionarySpelling implements DoubtfulWords.Spelling {
  private static final int MOST_REMEMBERED = 200_000;

  private final boolean english;
  private final Map<String, Boolean> remembered = new ConcurrentHashMap<>();
  private @Nullable List<MorfologikSpellerRule> dictionaries;

  /**
   * @param language BCP 47 tag
   */
  public DictionarySpelling(String language) {
    this.english = language.equals("en") || language.startsWith("en-");
  }

  @Override
  public boolean knows(String word) {
    if (!english
        || word.length() < 2
        || !word.codePoints().allMatch(c -> Character.isLetter(c) || c == '\'' || c == '-')) {
      return true;
    }
    if (remembered.size() > MOST_REMEMBERED) {
      remembered.clear();
    }
    return remembered.computeIfAbsent(word, this::isInDictionary);
  }

  private boolean isInDictionary(String word) {
    for (String part : word.split("-")) {
      boolean known = part.length() < 2;
      for (MorfologikSpellerRule dictionary : dictionaries()) {
        known = known || !misses(dictionary, part);
      }
      if (!known) {
        return false;
      }
    }
    return true;
  }

  private static boolean misses(MorfologikSpellerRule dictionary, String word) {
    try {
      return dictionary.isMisspelled(word);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private synchronized List<MorfologikSpellerRule> dictionaries() {
    List<MorfologikSpellerRule> read = dictionaries;
    if (read == null) {
      try {
        Language american = Languages.getLanguageForShortCode("en-US");
        Language british = Languages.getLanguageForShortCode("en-GB");
        read =
            List.of(
                new MorfologikAmericanSpellerRule(
                    JLanguageTool.getMessageBundle(american), american),
                new MorfologikBritishSpellerRule(
                    JLanguageTool.getMessageBundle(british), british, null, List.of()));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      dictionaries = read;
    }
    return read;
  }
}
