package paringknife.server.correcting;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import paringknife.core.transcript.DoubtfulWords;
import paringknife.media.language.DictionarySpelling;
import paringknife.server.transcripts.Glossary;

/** The spelling of a show: its language's dictionaries, and what its glossary writes. */
@Component
class ShowSpelling {
  private final Glossary glossary;
  private final Map<String, DictionarySpelling> dictionaries = new ConcurrentHashMap<>();

  ShowSpelling(Glossary glossary) {
    this.glossary = glossary;
  }

  DoubtfulWords.Spelling of(String language, String show) {
    Set<String> own = new HashSet<>();
    for (Glossary.Entry entry : glossary.of(show)) {
      if (entry.accepted()) {
        own.addAll(Arrays.asList(entry.written().toLowerCase(Locale.ROOT).split("\\s+")));
      }
    }
    DictionarySpelling dictionary = dictionaries.computeIfAbsent(language, DictionarySpelling::new);
    return word -> own.contains(word.toLowerCase(Locale.ROOT)) || dictionary.knows(word);
  }
}
