package paringknife.media.language;

import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import org.apache.lucene.analysis.CharArraySet;
import org.apache.lucene.analysis.da.DanishAnalyzer;
import org.apache.lucene.analysis.de.GermanAnalyzer;
import org.apache.lucene.analysis.en.EnglishAnalyzer;
import org.apache.lucene.analysis.es.SpanishAnalyzer;
import org.apache.lucene.analysis.fi.FinnishAnalyzer;
import org.apache.lucene.analysis.fr.FrenchAnalyzer;
import org.apache.lucene.analysis.hu.HungarianAnalyzer;
import org.apache.lucene.analysis.it.ItalianAnalyzer;
import org.apache.lucene.analysis.nl.DutchAnalyzer;
import org.apache.lucene.analysis.no.NorwegianAnalyzer;
import org.apache.lucene.analysis.pt.PortugueseAnalyzer;
import org.apache.lucene.analysis.ro.RomanianAnalyzer;
import org.apache.lucene.analysis.ru.RussianAnalyzer;
import org.apache.lucene.analysis.sv.SwedishAnalyzer;
import org.apache.lucene.analysis.tr.TurkishAnalyzer;
import org.tartarus.snowball.SnowballStemmer;
import org.tartarus.snowball.ext.DanishStemmer;
import org.tartarus.snowball.ext.DutchStemmer;
import org.tartarus.snowball.ext.EnglishStemmer;
import org.tartarus.snowball.ext.FinnishStemmer;
import org.tartarus.snowball.ext.FrenchStemmer;
import org.tartarus.snowball.ext.GermanStemmer;
import org.tartarus.snowball.ext.HungarianStemmer;
import org.tartarus.snowball.ext.ItalianStemmer;
import org.tartarus.snowball.ext.NorwegianStemmer;
import org.tartarus.snowball.ext.PortugueseStemmer;
import org.tartarus.snowball.ext.RomanianStemmer;
import org.tartarus.snowball.ext.RussianStemmer;
import org.tartarus.snowball.ext.SpanishStemmer;
import org.tartarus.snowball.ext.SwedishStemmer;
import org.tartarus.snowball.ext.TurkishStemmer;
import paringknife.core.pick.WordForms;

/**
 * Word forms by the Snowball stemmers (Porter, "Snowball: a language for stemming algorithms",
 * 2001) and stop words that Lucene ships. Words of a language that has none stay as written.
 */
public final class SnowballForms implements WordForms {
  private record Grammar(Supplier<SnowballStemmer> stemmer, CharArraySet functionWords) {}

  private static final Map<String, Grammar> GRAMMARS =
      Map.ofEntries(
          grammar("da", DanishStemmer::new, DanishAnalyzer.getDefaultStopSet()),
          grammar("de", GermanStemmer::new, GermanAnalyzer.getDefaultStopSet()),
          grammar("en", EnglishStemmer::new, EnglishAnalyzer.getDefaultStopSet()),
          grammar("es", SpanishStemmer::new, SpanishAnalyzer.getDefaultStopSet()),
          grammar("fi", FinnishStemmer::new, FinnishAnalyzer.getDefaultStopSet()),
          grammar("fr", FrenchStemmer::new, FrenchAnalyzer.getDefaultStopSet()),
          grammar("hu", HungarianStemmer::new, HungarianAnalyzer.getDefaultStopSet()),
          grammar("it", ItalianStemmer::new, ItalianAnalyzer.getDefaultStopSet()),
          grammar("nl", DutchStemmer::new, DutchAnalyzer.getDefaultStopSet()),
          grammar("no", NorwegianStemmer::new, NorwegianAnalyzer.getDefaultStopSet()),
          grammar("nb", NorwegianStemmer::new, NorwegianAnalyzer.getDefaultStopSet()),
          grammar("pt", PortugueseStemmer::new, PortugueseAnalyzer.getDefaultStopSet()),
          grammar("ro", RomanianStemmer::new, RomanianAnalyzer.getDefaultStopSet()),
          grammar("ru", RussianStemmer::new, RussianAnalyzer.getDefaultStopSet()),
          grammar("sv", SwedishStemmer::new, SwedishAnalyzer.getDefaultStopSet()),
          grammar("tr", TurkishStemmer::new, TurkishAnalyzer.getDefaultStopSet()));

  private static final Grammar AS_WRITTEN = new Grammar(() -> null, CharArraySet.EMPTY_SET);

  private final Grammar grammar;
  private final ThreadLocal<SnowballStemmer> stemmer;

  private SnowballForms(Grammar grammar) {
    this.grammar = grammar;
    this.stemmer = ThreadLocal.withInitial(grammar.stemmer());
  }

  /**
   * @param language BCP 47 tag; what follows the language itself does not count
   */
  public static SnowballForms of(String language) {
    String plain = Locale.forLanguageTag(language).getLanguage();
    return new SnowballForms(GRAMMARS.getOrDefault(plain, AS_WRITTEN));
  }

  @Override
  public String stem(String bare) {
    SnowballStemmer mine = stemmer.get();
    if (mine == null) {
      return bare;
    }
    mine.setCurrent(bare);
    return mine.stem() ? mine.getCurrent() : bare;
  }

  @Override
  public boolean isFunctionWord(String bare) {
    return grammar.functionWords().contains(bare);
  }

  private static Map.Entry<String, Grammar> grammar(
      String language, Supplier<SnowballStemmer> stemmer, CharArraySet functionWords) {
    return Map.entry(language, new Grammar(stemmer, functionWords));
  }
}
